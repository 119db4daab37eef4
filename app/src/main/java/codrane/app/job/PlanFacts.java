package codrane.app.job;

import codrane.core.access.KnownAccount;
import codrane.core.baseline.PutBack;
import codrane.core.coding.Layout;
import codrane.core.job.HoldNote;
import codrane.core.job.IntakeNotes;
import codrane.core.job.IntakeNotes.Details;
import codrane.core.job.JudgedSheet;
import codrane.core.job.Scan;
import codrane.core.octets.Bytes;
import codrane.core.pack.CodingSource;
import codrane.core.pack.Feature;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.Aids;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartFacts;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.ready.AtHand;
import codrane.core.scan.ModuleReading;
import codrane.core.tool.ToolLook;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Turns what is known about a job into the planner's facts. */
final class PlanFacts {
    private PlanFacts() {}

    static VehicleFacts of(JobFacts facts, Scan scan) {
        return VehicleFacts.of(
                        facts.job().kind(),
                        facts.pack(),
                        facts.job().vin(),
                        ModuleAnswer.of(facts.pack(), facts.job().vin(), scan.readings()),
                        facts.gateway())
                .with(part(facts, scan))
                .with(wishes(facts, scan))
                .with(aids(facts))
                .with(facts.decided().policy())
                .with(facts.decided().law());
    }

    private static PartFacts part(JobFacts facts, Scan scan) {
        Optional<String> module = facts.job().replacedModule();
        if (module.isEmpty()) return PartFacts.NONE;
        if (!facts.job().kind().replaces()) return PartFacts.of(module.get());
        return new PartFacts(
                module,
                facts.job().origin(),
                facts.intake().details().partState().map(PlanFacts::state),
                old(facts),
                facts.decided().notes().offered(),
                facts.decided().notes().fitted(),
                told(facts, scan));
    }

    /** The number that the part tells; while it is in its box, or the old module in its place, that one answers. */
    private static String told(JobFacts facts, Scan scan) {
        boolean boxed = facts.intake().details().partState().equals(Optional.of(IntakeNotes.PartState.BOXED));
        boolean oldInPlace = old(facts).equals(Optional.of(PartFacts.Old.SPEAKS));
        if (boxed || oldInPlace) return "";
        return facts.job()
                .replacedModule()
                .map(id -> scan.readings().getOrDefault(id, ModuleReading.silent(id)))
                .flatMap(reading -> reading.text(Ident.PART))
                .orElse("");
    }

    /** The number on the label; else the one that the part itself tells. */
    static String offered(JobFacts facts, Scan scan) {
        String label = facts.decided().notes().offered();
        return label.isEmpty() ? told(facts, scan) : label;
    }

    private static PartFacts.State state(IntakeNotes.PartState state) {
        return switch (state) {
            case BOXED -> PartFacts.State.BOXED;
            case PLUGGED_IN -> PartFacts.State.CONNECTED;
            case MOUNTED -> PartFacts.State.MOUNTED;
        };
    }

    private static Optional<PartFacts.Old> old(JobFacts facts) {
        IntakeNotes intake = facts.intake();
        if (intake.oldModule().isEmpty()) return Optional.empty();
        if (intake.oldReading().isPresent()) {
            if (!intake.oldReading().get().read()) return Optional.of(PartFacts.Old.SILENT);
            return Optional.of(facts.oldCoding().isEmpty() ? PartFacts.Old.OF_ANOTHER : PartFacts.Old.READ);
        }
        boolean givenUp = facts.personHold(HoldPoint.OLD_MODULE_READ)
                .map(HoldNote::waived)
                .orElse(false);
        return Optional.of(intake.stillIn() && !givenUp ? PartFacts.Old.SPEAKS : PartFacts.Old.GONE);
    }

    private static Wishes wishes(JobFacts facts, Scan scan) {
        return switch (facts.job().kind().about()) {
            case SETTINGS ->
                Wishes.of(facts.putBack().stream()
                        .map(s -> SettingChange.of(facts.pack(), scan.readings(), s))
                        .toList());
            case FEATURE ->
                facts.decided().notes().feature().isEmpty()
                        ? Wishes.NONE
                        : Wishes.of(facts.decided().notes().feature(), now(facts, scan));
            case ORDER ->
                Wishes.of(new Wishes.OrderChange(
                        facts.decided().orderNow(),
                        facts.decided().notes().codesOut(),
                        facts.decided().notes().codesIn()));
            case VEHICLE, MODULE, PART, TOOL -> Wishes.NONE;
        };
    }

    /** Every setting of every feature as it was read. */
    private static List<SettingChange> now(JobFacts facts, Scan scan) {
        List<SettingChange> now = new ArrayList<>();
        for (Feature feature : facts.pack().equipment().features())
            for (Feature.Setting setting : feature.on().keySet())
                value(facts, scan, setting.layout(), setting.field())
                        .ifPresent(v -> now.add(new SettingChange(
                                holder(facts, setting.layout()),
                                setting.layout(),
                                setting.field(),
                                setting.field(),
                                v,
                                "",
                                Optional.empty())));
        return now;
    }

    /** The module that keeps a block. */
    static String holder(JobFacts facts, String layout) {
        return facts.pack().modules().values().stream()
                .filter(m -> m.blocks().contains(layout))
                .map(PackModule::id)
                .findFirst()
                .orElseThrow();
    }

    /** A setting as it was read; empty when its block was not. */
    static Optional<String> value(JobFacts facts, Scan scan, String block, String field) {
        Layout layout = facts.pack().layouts().get(block);
        String module = holder(facts, block);
        Optional<Bytes> octets = Optional.ofNullable(scan.readings().get(module))
                .map(r -> r.coding().get(block))
                .filter(b -> b.length() == layout.length());
        return octets.map(b -> layout.decode(b).get(field));
    }

    private static Aids aids(JobFacts facts) {
        Set<CodingSource> sources = EnumSet.noneOf(CodingSource.class);
        if (!facts.oldCoding().isEmpty()) sources.add(CodingSource.OLD_MODULE);
        if (facts.sheet().map(JudgedSheet::good).orElse(false)) sources.add(CodingSource.LINE_SHEET);
        Details details = facts.intake().details();
        Optional<Aids.Keys> keys = details.keysAll() > 0
                ? Optional.of(new Aids.Keys(details.keysAll(), details.keysHere()))
                : Optional.empty();
        return new Aids(
                sources,
                keys,
                facts.decided().notes().wording(),
                Aids.Content.UNKNOWN,
                facts.decided().notes().settled());
    }

    static AtHand atHand(JobFacts facts) {
        boolean file =
                facts.calibration().map(c -> facts.fit(c.manifest()).usable()).orElse(false);
        return new AtHand(
                        file ? facts.job().replacedModule().map(Set::of).orElse(Set.of()) : Set.of(),
                        facts.sheet().map(JudgedSheet::good).orElse(false),
                        facts.benchNotes().cableSeen() || facts.bench().isPresent(),
                        facts.before().isPresent()
                                && answers(facts, facts.before().get()),
                        facts.decided().passUntil(),
                        facts.decided().noted())
                .with(
                        facts.access().account().map(KnownAccount::account),
                        facts.access().tool().map(ToolLook::serial));
    }

    private static boolean answers(JobFacts facts, Scan scan) {
        return facts.job()
                .replacedModule()
                .map(id -> scan.readings()
                        .getOrDefault(id, ModuleReading.silent(id))
                        .answers())
                .orElse(false);
    }

    /** Whether the job's module keeps or shares the immobiliser's secret, so that the owner must prove to be one. */
    static boolean touchesImmobiliser(JobFacts facts) {
        return facts.job().kind().replaces()
                && facts.job()
                        .replacedModule()
                        .flatMap(id -> facts.pack()
                                .equipment()
                                .immobiliser()
                                .filter(i ->
                                        i.master().equals(id) || i.members().contains(id)))
                        .isPresent();
    }

    /** Settings that a feature turns on, to be written by name. */
    static List<PutBack> settings(JobFacts facts, Scan scan, Feature feature) {
        List<PutBack> settings = new ArrayList<>();
        for (Map.Entry<Feature.Setting, String> on : feature.on().entrySet()) {
            String layout = on.getKey().layout();
            String found = value(facts, scan, layout, on.getKey().field()).orElse("");
            settings.add(new PutBack(holder(facts, layout), layout, on.getKey().field(), on.getValue(), found));
        }
        return settings;
    }

    /** Whether a kind's settings are chosen by name on the page. */
    static boolean byName(JobKind kind) {
        return kind.about() == JobKind.About.SETTINGS && kind != JobKind.FIND_LOST_SETTING;
    }
}
