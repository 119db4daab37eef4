package codrane.app.stage.decide;

import codrane.core.job.JobState;
import codrane.core.pack.MarketRules;
import codrane.core.pack.PackModule;
import codrane.core.plan.Operation;
import codrane.core.plan.PartCheck;
import codrane.core.plan.ServiceWording;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.CodingSources;
import codrane.core.planner.LawAllows;
import codrane.core.text.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** What is known that bears on the plan: the part, sources of its coding, the service information, the law. */
public record Known(Optional<Part> part, List<Source> sources, Wording wording, Optional<Law> law) {
    /**
     * The replacing part, judged.
     *
     * @param facts by title
     */
    public record Part(
            String verdict, boolean fits, Map<String, String> facts, String fitted, String offered, String usual) {}

    /** @param mark id of the mark, and class of its colour */
    public record Source(String title, String mark, String state, String why) {}

    /**
     * @param meanings what the service information says, each with its sentence
     * @param nothing whether it says nothing of this
     */
    public record Wording(Map<String, String> meanings, boolean nothing, String text, String button) {}

    public record Law(String title, List<Rule> rules) {}

    public record Rule(String concern, String says, String sentence) {}

    static Known of(JobState state, VehicleFacts facts) {
        return new Known(
                facts.module().filter(m -> state.job().kind().replaces()).map(m -> part(state, facts, m)),
                sources(state, facts),
                wording(state, facts),
                law(state, LawAllows.rules(facts)));
    }

    private static Part part(JobState state, VehicleFacts facts, PackModule module) {
        PartCheck check = PartCheck.of(facts);
        String fitted = state.decided().notes().fitted();
        String usual = module.parts().fitted();
        String offered = facts.part().offered();
        String told = facts.part().told();
        Map<String, String> lines = new LinkedHashMap<>();
        lines.put(
                "Numbers",
                (fitted.isEmpty() ? usual : fitted) + " fitted; "
                        + (offered.isEmpty() ? "its label was not read" : offered + " on its label")
                        + (told.isEmpty() ? "" : "; " + told + " told by the part"));
        lines.put("VIN lock", check.lock().words() + " " + check.lock().usedPart());
        lines.put("Model year", check.year());
        lines.put("It contains", String.join(" ", check.contains()));
        lines.put("If it is the wrong one", String.join(" ", check.ifWrong()));
        return new Part(
                check.verdict().map(v -> v.reason()).orElse(""),
                check.fits(),
                lines,
                fitted,
                state.decided().notes().offered(),
                usual);
    }

    private static List<Source> sources(JobState state, VehicleFacts facts) {
        boolean codes = state.plan().isEmpty() || state.planHas(Operation.Kind.WRITE_CODING);
        if (!codes || !state.job().kind().replaces()) return List.of();
        return facts.module().stream()
                .flatMap(m -> CodingSources.rank(facts, m).stream())
                .map(Known::source)
                .toList();
    }

    private static Source source(CodingSources.Ranked ranked) {
        String mark = switch (ranked.state()) {
            case AT_HAND -> "agrees";
            case TO_GET -> "hold";
            case NOT_THERE -> "silent";
        };
        String missing = ranked.missing().isEmpty() ? "" : " Missing: " + ranked.missing() + ".";
        return new Source(capital(ranked.source().words()), mark, ranked.state().words(), ranked.reason() + missing);
    }

    private static Wording wording(JobState state, VehicleFacts facts) {
        ServiceWording said = ServiceWording.of(
                facts.aids().wording(), facts.pack().equipment().habits().wording());
        Map<String, String> meanings = new LinkedHashMap<>();
        for (ServiceWording.Meaning meaning : ServiceWording.Meaning.values())
            said.evidence(meaning).ifPresent(sentence -> meanings.put(capital(meaning.key()), sentence));
        String text = state.decided().notes().wording();
        return new Wording(
                meanings,
                !text.isEmpty() && meanings.isEmpty(),
                text,
                state.plan().isPresent() ? "Keep it, plan again" : "Keep it");
    }

    private static Optional<Law> law(JobState state, List<MarketRules.Rule> rules) {
        if (rules.isEmpty()) return Optional.empty();
        MarketRules law = state.decided().law();
        return Optional.of(new Law(
                law.market() + ", as compared on " + law.checked(),
                rules.stream()
                        .map(r -> new Rule(
                                r.concern().key().replace('-', ' '),
                                r.says().words(),
                                r.sentence() + ". " + r.source() + ", since " + Words.day(r.from())))
                        .toList()));
    }

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }
}
