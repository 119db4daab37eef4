package codrane.core.planner;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Equipment;
import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Feature;
import codrane.core.pack.PackModule;
import codrane.core.pack.VinLock;
import codrane.core.plan.Aids;
import codrane.core.plan.JobKind;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.School;
import codrane.core.plan.ServiceWording;
import codrane.core.plan.ServiceWording.Meaning;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.AgreementMatrix;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What must be known before a plan is made, and what contradicts itself: asked by name, never guessed. */
public final class PlanQuestions {
    private final VehicleFacts facts;
    private final List<Question> questions = new ArrayList<>();

    /**
     * @param id stable name
     * @param fact what the answer belongs to, as named in the facts
     * @param text the question
     */
    public record Question(String id, String fact, String text) {}

    private PlanQuestions(VehicleFacts facts) {
        this.facts = facts;
    }

    /** In the order in which they are best answered; none when a plan can be made. */
    public static List<Question> of(VehicleFacts facts) {
        PlanQuestions all = new PlanQuestions(facts);
        if (facts.kind() == JobKind.READY_TOOL) return List.of();
        all.vehicle();
        all.identity();
        all.module();
        if (facts.kind().replaces() && facts.module().isPresent()) all.part();
        all.number();
        all.software();
        all.wishes();
        all.answers();
        Grammar grammar = new Grammar(facts.pack());
        return all.questions.stream()
                .map(q -> new Question(q.id(), q.fact(), grammar.agree(q.text())))
                .toList();
    }

    private void ask(String id, String fact, String text) {
        questions.add(new Question(id, fact, text));
    }

    private void vehicle() {
        if (facts.pack().modelOf(facts.vin()).isEmpty())
            ask(
                    "which-vehicle",
                    "vin",
                    facts.vin().text() + " is no " + facts.pack().title() + ": which vehicle is it?");
        boolean hasGateway = facts.pack().hasGateway(facts.vin());
        if (!hasGateway && !(facts.gateway() instanceof Gateway.None))
            ask(
                    "gateway-where-none-is",
                    "gateway",
                    "This model year has no secure gateway, yet one is said to be there: which is right?");
        if (hasGateway && facts.gateway() instanceof Gateway.None)
            ask("gateway-said-absent", "gateway", "This model year has a secure gateway: is it locked or authorised?");
        if (facts.answers().values().stream().noneMatch(ModuleAnswer::answers))
            ask("nothing-answers", "answers", "No module answers: is the key on, and was the vehicle scanned?");
    }

    /** A module with another VIN is a question, never a footnote. */
    private void identity() {
        if (!OneVehicle.asks(facts)) return;
        for (String module : OneVehicle.unexplained(facts))
            ask("whose-vin", "said.identity." + module, OneVehicle.question(facts, module));
    }

    /** Before a VIN that stays for good, number and origin of the part are known. */
    private void number() {
        Optional<PackModule> part = facts.newPart().filter(m -> PartMustBeFree.staysForGood(facts, m));
        if (part.isEmpty()) return;
        String title = part.get().lowerTitle();
        if (facts.kind() == JobKind.RETROFIT && facts.part().origin().isEmpty())
            ask("part-origin", "part.origin", "Is the " + title + " new, second-hand, or cleaned by a specialist?");
        if (facts.part().offered().isBlank() && facts.part().told().isBlank())
            ask(
                    "part-number",
                    "part.offered",
                    "The first VIN written to the " + title + " stays for good: which number is on its label?");
        boolean used =
                facts.part().origin().filter(o -> o == PartOrigin.SECOND_HAND).isPresent();
        boolean empty = facts.answer(part.get().id()).vin().equals(Optional.of(""));
        if (used && empty && !facts.oldInPlace() && part.get().traits().vinLock() == VinLock.CLEANABLE)
            ask(
                    "cleaned-or-not",
                    "part.origin",
                    "The " + title + " is said to be second-hand, and reads empty: did a specialist clean it?");
    }

    /** Software that nobody knows, and wording that says one thing while the module says another. */
    private void software() {
        Optional<PackModule> module = facts.newPart().or(facts::module);
        if (module.isEmpty() || facts.oldInPlace()) return;
        if (ProgramModule.newerThanKnown(facts, module.get()))
            ask(
                    "newer-software",
                    "said.newerRight",
                    ProgramModule.newer(facts, module.get()) + ": from where is it, and is it right for this vehicle?");
        if (facts.newPart().isEmpty()
                || facts.policy().overrule(School.SOFTWARE).isPresent()) return;
        wording(module.get(), facts.answer(module.get().id()));
    }

    private void wording(PackModule module, ModuleAnswer answer) {
        ServiceWording wording = ServiceWording.of(
                facts.aids().wording(), facts.pack().equipment().habits().wording());
        boolean old =
                answer.bootOnly() || !answer.software().isEmpty() && AgreementMatrix.tooOld(module, answer.software());
        boolean newest =
                !ProgramModule.isOlder(answer.software(), module.software().current());
        Optional<String> asked = wording.evidence(Meaning.PROGRAM);
        if (wording.denied().isPresent() && asked.isPresent())
            disagree("The service information says \"" + asked.get() + "\" and \""
                    + wording.denied().get() + "\"");
        else if (wording.denied().isPresent() && old && answer.answers())
            disagree("The service information says \"" + wording.denied().get() + "\", but " + needs(module, answer));
        else if (wording.onCondition().isPresent() && asked.isEmpty() && !old && !newest && answer.answers())
            disagree("The service information says \"" + wording.onCondition().get() + "\", and the "
                    + module.lowerTitle() + " has " + answer.software() + ", while "
                    + module.software().current() + " is the newest");
    }

    private static String needs(PackModule module, ModuleAnswer answer) {
        return answer.bootOnly()
                ? "the " + module.lowerTitle() + " has boot software only"
                : "software " + answer.software() + " is older than "
                        + module.software().needed() + ", which this vehicle needs";
    }

    private void disagree(String what) {
        ask("program-or-code", "overrules", what + ": is it to be programmed, or only coded?");
    }

    private void module() {
        if (!facts.kind().namesModule()) return;
        if (facts.part().module().isEmpty()) {
            ask(
                    "which-module",
                    "module",
                    facts.kind().replaces() ? "Which module was replaced?" : "Which module is it?");
            return;
        }
        String module = facts.part().module().get();
        if (facts.kind() == JobKind.LEARN_VIN
                && facts.pack().module(module).traits().learnsVinFrom().isEmpty())
            ask(
                    "learns-from-whom",
                    "module",
                    facts.pack().module(module).title()
                            + " learns its VIN from no neighbour by this pack: which module is meant?");
        if (facts.kind() == JobKind.REPLACE_IMMOBILISER && !facts.inImmobiliser(module))
            ask(
                    "no-immobiliser-member",
                    "module",
                    facts.pack().module(module).title()
                            + " has no part in the immobiliser: which module was replaced?");
    }

    /** A module that the plan depends on, and that nobody asked, is not taken for silent. */
    private void answers() {
        if (facts.answers().isEmpty()) return; // asked already, as one question
        for (String module : depended())
            if (!facts.answers().containsKey(module))
                ask(
                        "not-asked",
                        "answers." + module,
                        facts.pack().module(module).title() + " was not asked: what does it answer?");
    }

    private Set<String> depended() {
        Set<String> modules = new LinkedHashSet<>();
        facts.wishes().settings().forEach(s -> modules.add(s.module()));
        facts.module().ifPresent(module -> {
            modules.add(module.id());
            module.traits().learnsVinFrom().ifPresent(modules::add);
            modules.addAll(module.software().requires().keySet()); // should it be programmed
            Optional<Immobiliser> immobiliser = facts.pack().equipment().immobiliser();
            if (!facts.kind().replaces() || !facts.inImmobiliser(module.id()) || immobiliser.isEmpty()) return;
            modules.add(immobiliser.get().master());
            if (immobiliser.get().master().equals(module.id()))
                modules.addAll(immobiliser.get().members());
        });
        return modules;
    }

    private void part() {
        PartFacts part = facts.part();
        ModuleAnswer answer = facts.moduleAnswer();
        if (part.origin().isEmpty())
            ask("part-origin", "part.origin", "Is the part new, second-hand, or cleaned by a specialist?");
        if (part.old().isEmpty()) ask("old-module", "part.old", "Where is the old module, and does it still speak?");
        boolean isNew = part.origin().filter(o -> o == PartOrigin.NEW).isPresent();
        if (isNew && !facts.oldInPlace() && answer.foreign(facts.vin()))
            ask(
                    "new-with-a-past",
                    "part.origin",
                    "The part is said to be new, but holds " + answer.vin().orElse("")
                            + ": is it second-hand, or does the old one answer?");
        if (facts.kind() == JobKind.REPLACE_BY_NEW && part.origin().isPresent() && !isNew)
            ask(
                    "new-or-not",
                    "part.origin",
                    "The job is about a new part, and the part is "
                            + part.origin().get().words() + ": which is right?");
        boolean boxed = part.state().filter(s -> s == PartFacts.State.BOXED).isPresent();
        boolean oldOut = part.old().filter(o -> o == PartFacts.Old.GONE).isPresent();
        if (boxed && oldOut && answer.answers())
            ask(
                    "who-answered",
                    "part.state",
                    "The part is in its box and the old one " + part.old().get().words() + ", yet "
                            + facts.module().orElseThrow().title() + " answers: which module answered?");
        if (facts.kind() == JobKind.REPLACE_DEAD
                && part.old().filter(o -> o == PartFacts.Old.SPEAKS).isPresent())
            ask("dead-and-speaks", "part.old", "The job is about a dead module, and the old one speaks: is it dead?");
        keys();
    }

    private void keys() {
        String module = facts.part().module().orElseThrow();
        if (!facts.inImmobiliser(module)) return;
        Immobiliser immobiliser = facts.pack().equipment().immobiliser().orElseThrow();
        if (facts.aids().keys().isEmpty()) {
            ask("keys", "keys", "How many keys has the vehicle, and how many are here?");
            return;
        }
        Aids.Keys keys = facts.aids().keys().get();
        if (keys.here() > keys.known())
            ask(
                    "more-keys-than-known",
                    "keys",
                    keys.here() + (keys.here() == 1 ? " key is" : " keys are") + " here, but only " + keys.known()
                            + (keys.known() == 1 ? " is" : " are") + " known: how many has the vehicle?");
        if (keys.known() == 0 && immobiliser.master().equals(module))
            ask("keys", "keys", "No key is known: how many has the vehicle?");
    }

    private void wishes() {
        switch (facts.kind().about()) {
            case SETTINGS -> settings();
            case FEATURE -> {
                if (facts.wishes().features().isEmpty())
                    ask("which-equipment", "feature", "Which equipment is to be enabled?");
                beside();
            }
            case ORDER -> {
                order();
                beside();
            }
            case MODULE, PART -> beside();
            case VEHICLE, TOOL -> {
                if (!facts.wishes().settings().isEmpty()
                        || !facts.wishes().features().isEmpty())
                    ask("look-or-write", "kind", "This kind of job changes no setting: what is to be done?");
            }
        }
        if (facts.kind().about() != JobKind.About.ORDER
                && !facts.wishes().order().empty())
            ask("order-beside", "kind", "A changed order is a retrofit of its own: is it one?");
    }

    /** What else is wanted in the same visit. */
    private void beside() {
        feature();
        List<SettingChange> all = new ArrayList<>(facts.wished());
        all.addAll(EnableFeature.changes(facts, facts.askedFeatures()));
        twice(all);
    }

    private void settings() {
        // with nothing chosen, finding what was lost is the result
        if (facts.wishes().settings().isEmpty() && facts.kind() != JobKind.FIND_LOST_SETTING)
            ask("which-settings", "settings", "Which setting is to be changed, and to what?");
        twice(facts.wished());
        if (facts.kind() == JobKind.CHANGE_LINE)
            facts.wishes().settings().stream()
                    .filter(s -> s.from().isEmpty())
                    .forEach(s -> ask(
                            "from-what",
                            "settings",
                            "Without the value before the change, an instruction may be for another layout: what does it say that \""
                                    + s.title() + "\" is before?"));
    }

    private void twice(List<SettingChange> settings) {
        Set<String> seen = new HashSet<>();
        for (SettingChange setting : settings)
            if (!seen.add(setting.block() + "/" + setting.field()))
                ask("setting-twice", "settings", setting.title() + " is to be changed twice: to which value?");
    }

    private void feature() {
        Equipment equipment = facts.pack().equipment();
        List<Feature> asked = facts.askedFeatures();
        for (Feature excluded : equipment.against(asked)) {
            Map<Feature.Setting, String> left = equipment.left(excluded, asked);
            for (SettingChange setting : EnableFeature.changes(facts, List.of(excluded)))
                if (setting.from().isEmpty() && left.containsKey(new Feature.Setting(setting.block(), setting.field())))
                    ask(
                            "other-equipment",
                            "settings",
                            equipment.against(excluded, asked).title() + " does not go with " + excluded.title()
                                    + ": what is \"" + setting.title() + "\" now?");
        }
    }

    private void order() {
        List<String> out = facts.wishes().order().out();
        List<String> in = facts.wishes().order().in();
        if (out.isEmpty() && in.isEmpty()) ask("which-codes", "order", "Which option codes go out, which go in?");
        out.stream()
                .filter(in::contains)
                .forEach(code -> ask("code-out-and-in", "order", code + " is to go out and in: which?"));
        if (facts.pack().equipment().order().isEmpty()) return;
        VehicleOrder order = facts.pack().equipment().order().get();
        List<String> now = facts.wishes().order().now();
        if (!now.isEmpty()) against(now, out, in);
        List<String> then = new ArrayList<>(now);
        then.removeAll(out);
        then.addAll(in);
        for (Equipment.Family family : order.families().values()) {
            List<String> both = family.inEachOthersWay(then);
            if (both.stream().anyMatch(in::contains))
                ask(
                        "one-of-a-family",
                        "order",
                        String.join(" and ", both) + " exclude each other: which of them stays?");
        }
    }

    /** What goes out must be there, and what comes in must not. */
    private void against(List<String> now, List<String> out, List<String> in) {
        out.stream()
                .filter(code -> !now.contains(code))
                .forEach(code -> ask("code-not-there", "order", code + " is not in the order: which code goes out?"));
        in.stream()
                .filter(now::contains)
                .forEach(code ->
                        ask("code-there-already", "order", code + " is in the order already: what is missing?"));
    }
}
