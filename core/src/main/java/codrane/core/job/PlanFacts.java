package codrane.core.job;

import codrane.core.access.KnownAccount;
import codrane.core.baseline.PutBack;
import codrane.core.coding.Layout;
import codrane.core.job.IntakeNotes.Details;
import codrane.core.octets.Bytes;
import codrane.core.pack.CodingSource;
import codrane.core.pack.Equipment;
import codrane.core.pack.Feature;
import codrane.core.pack.OrderRule;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.Aids;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartFacts;
import codrane.core.plan.Said;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.plan.Workplace;
import codrane.core.ready.AtHand;
import codrane.core.ready.Need;
import codrane.core.ready.Noted;
import codrane.core.ready.Readiness;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ProgrammingDate;
import codrane.core.tool.ToolLook;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Turns what is known about a job into the planner's state. */
public final class PlanFacts {
    private PlanFacts() {}

    public static VehicleFacts of(JobState state, Scan scan) {
        return VehicleFacts.of(
                        state.job().kind(),
                        state.pack(),
                        state.job().vin(),
                        ModuleAnswer.of(state.pack(), state.job().vin(), scan.readings()),
                        state.gateway())
                .with(part(state, scan))
                .with(wishes(state, scan))
                .with(aids(state, scan))
                .with(state.decided().policy())
                .with(state.decided().law());
    }

    private static PartFacts part(JobState state, Scan scan) {
        Optional<String> module = state.job().replacedModule();
        if (module.isEmpty()) return PartFacts.NONE;
        if (!state.job().kind().replaces()) return PartFacts.of(module.get());
        return new PartFacts(
                module,
                state.job().origin(),
                place(state, scan),
                old(state, scan),
                state.decided().notes().offered(),
                state.decided().notes().fitted(),
                told(state, scan));
    }

    /** The number that the part tells; while it is in its box, or the old module in its place, that one answers. */
    private static String told(JobState state, Scan scan) {
        boolean boxed = place(state, scan).equals(Optional.of(PartFacts.State.BOXED));
        boolean oldInPlace = old(state, scan).equals(Optional.of(PartFacts.Old.SPEAKS));
        if (boxed || oldInPlace) return "";
        return state.job()
                .replacedModule()
                .map(id -> scan.readings().getOrDefault(id, ModuleReading.silent(id)))
                .flatMap(reading -> reading.text(Ident.PART))
                .orElse("");
    }

    /** The number on the label; else the one that the part itself tells. */
    public static String offered(JobState state, Scan scan) {
        String label = state.decided().notes().offered();
        return label.isEmpty() ? told(state, scan) : label;
    }

    /** How far the new part was at that scan: as long as the old module is in, it is in nobody's place. */
    private static Optional<PartFacts.State> place(JobState state, Scan scan) {
        if (swappedBefore(state, scan)) return Optional.of(PartFacts.State.MOUNTED);
        if (state.swappedSince(scan)) return Optional.of(PartFacts.State.BOXED);
        Optional<PartFacts.State> said = state.intake().details().partState().map(PlanFacts::state);
        return said.isEmpty() && state.intake().stillIn() ? Optional.of(PartFacts.State.BOXED) : said;
    }

    private static boolean swappedBefore(JobState state, Scan scan) {
        return state.decided().notes().since().swappedAt().isPresent() && !state.swappedSince(scan);
    }

    private static PartFacts.State state(IntakeNotes.PartState state) {
        return switch (state) {
            case BOXED -> PartFacts.State.BOXED;
            case PLUGGED_IN -> PartFacts.State.CONNECTED;
            case MOUNTED -> PartFacts.State.MOUNTED;
        };
    }

    private static Optional<PartFacts.Old> old(JobState state, Scan scan) {
        IntakeNotes intake = state.intake();
        if (intake.oldModule().isEmpty()) return Optional.empty();
        if (state.benched().oldReading().isPresent()) {
            if (!state.benched().oldReading().get().read()) return Optional.of(PartFacts.Old.SILENT);
            return Optional.of(state.oldCoding().isEmpty() ? PartFacts.Old.OF_ANOTHER : PartFacts.Old.READ);
        }
        boolean givenUp = state.personHold(HoldPoint.OLD_MODULE_READ)
                .map(HoldNote::waived)
                .orElse(false);
        if (swappedBefore(state, scan) || !intake.stillIn()) return Optional.of(PartFacts.Old.GONE);
        return Optional.of(givenUp ? PartFacts.Old.SILENT : PartFacts.Old.SPEAKS);
    }

    private static Wishes wishes(JobState state, Scan scan) {
        JobKind kind = state.job().kind();
        if (kind.onlyLooks()) return Wishes.NONE;
        DecideNotes notes = state.decided().notes();
        List<SettingChange> settings = new ArrayList<>(chosenByName(state).stream()
                .map(s -> SettingChange.of(state.packWritten(), scan.readings(), s))
                .toList());
        settings.addAll(now(state, scan, about(state)));
        boolean order = kind.about() == JobKind.About.ORDER;
        if (order) settings.addAll(now(state, scan, ofOrder(state)));
        Wishes.OrderChange change = order
                ? new Wishes.OrderChange(state.baselined().orderNow(), notes.codesOut(), notes.codesIn())
                : Wishes.OrderChange.NONE;
        return new Wishes(settings, notes.features(), change, otherSides(state, scan, settings));
    }

    private static Map<Feature.Setting, String> otherSides(JobState state, Scan scan, List<SettingChange> settings) {
        Map<Feature.Setting, String> now = new LinkedHashMap<>();
        for (SettingChange change : settings)
            for (SettingChange part : change.parts(state.packWritten()))
                state.pack()
                        .setting(part.block(), part.field())
                        .otherSide()
                        .ifPresent(other -> value(state, scan, part.block(), other.field())
                                .ifPresent(v -> now.put(new Feature.Setting(part.block(), other.field()), v)));
        return now;
    }

    /** Chosen settings that do not come with the chosen equipment. */
    public static List<PutBack> chosenByName(JobState state) {
        Set<Feature.Setting> equipment =
                state.pack().equipment().on(equipment(state)).keySet();
        return state.putBack().stream()
                .filter(s -> !equipment.contains(new Feature.Setting(s.layout(), s.field())))
                .toList();
    }

    /** Equipment that was chosen to be enabled, without what it needs; in the pack's order. */
    public static List<Feature> equipment(JobState state) {
        return state.pack().equipment().features(state.decided().notes().features());
    }

    /** Settings of the chosen equipment, of what it needs, and of what it does not go with. */
    private static Stream<Feature.Setting> about(JobState state) {
        Equipment equipment = state.pack().equipment();
        List<Feature> chosen = equipment(state);
        return Stream.concat(
                        equipment.on(chosen).keySet().stream(),
                        equipment.against(chosen).stream().flatMap(other -> other.on().keySet().stream()))
                .distinct();
    }

    private static Stream<Feature.Setting> ofOrder(JobState state) {
        return state.pack().equipment().order().stream()
                .flatMap(order -> order.rules().stream())
                .map(OrderRule::setting)
                .distinct();
    }

    /** Settings as they were read. */
    private static List<SettingChange> now(JobState state, Scan scan, Stream<Feature.Setting> settings) {
        List<SettingChange> now = new ArrayList<>();
        settings.forEach(setting -> value(state, scan, setting.layout(), setting.field())
                .ifPresent(v -> now.add(new SettingChange(
                        holder(state, setting.layout()),
                        setting.layout(),
                        setting.field(),
                        setting.field(),
                        v,
                        "",
                        Optional.empty()))));
        return now;
    }

    /** The module that keeps a block. */
    public static String holder(JobState state, String layout) {
        return state.pack().holder(layout).map(PackModule::id).orElseThrow();
    }

    /** A setting as it was read; empty when its block was not. */
    public static Optional<String> value(JobState state, Scan scan, String block, String field) {
        Layout layout = state.pack(scan).layout(block);
        String module = holder(state, block);
        Optional<Bytes> octets = Optional.ofNullable(scan.readings().get(module))
                .map(r -> r.coding().get(block))
                .filter(b -> b.length() == layout.length());
        return octets.flatMap(b -> layout.named(field).map(f -> f.read(b)));
    }

    private static Aids aids(JobState state, Scan scan) {
        Set<CodingSource> sources = EnumSet.noneOf(CodingSource.class);
        if (!state.oldCoding().isEmpty()) sources.add(CodingSource.OLD_MODULE);
        if (state.sheet().map(JudgedSheet::good).orElse(false)) sources.add(CodingSource.LINE_SHEET);
        Details details = state.intake().details();
        Optional<Aids.Keys> keys = details.keysAll() > 0
                ? Optional.of(new Aids.Keys(details.keysAll(), details.keysHere()))
                : Optional.empty();
        return new Aids(
                sources,
                keys,
                state.decided().notes().wording(),
                Aids.Content.UNKNOWN,
                state.decided().notes().settled(),
                said(state, scan),
                workplace(state, scan));
    }

    /** What the bench found, who works, and what the interface tells of itself. */
    private static Workplace workplace(JobState state, Scan scan) {
        BenchNotes bench = state.benched().notes();
        String chemistry = state.pack().supply().chemistry();
        return new Workplace(
                bench.battery()
                        .filter(note ->
                                note.battery().rested() && note.chemistry().equals(chemistry))
                        .map(BenchNotes.BatteryNote::restVolts),
                state.intake().details().hand().map(IntakeNotes.Hand::worker),
                state.sheet().flatMap(sheet -> sheet.record().day()),
                programmed(state, scan),
                (int) bench.others().stream().filter(BenchNotes.Other::writes).count(),
                state.access().tool().map(ToolLook::wireless),
                bench.online(),
                state.access().tool().map(ToolLook::celsius));
    }

    /** The last day on which one of the vehicle's own modules was programmed. */
    private static Optional<LocalDate> programmed(JobState state, Scan scan) {
        Optional<String> own = Optional.of(state.job().vin().text());
        return scan.readings().values().stream()
                .filter(reading -> reading.text(Ident.VIN).equals(own))
                .filter(reading -> !state.job().replacedModule().equals(Optional.of(reading.module())))
                .flatMap(reading -> reading.octets(Ident.PROGRAMMING_DATE).stream())
                .flatMap(octets -> ProgrammingDate.of(octets).stream())
                .max(Comparator.naturalOrder());
    }

    /** Who accepted another VIN at Identify said that the module was swapped before. */
    private static Said said(JobState state, Scan scan) {
        Map<String, Said.Whose> identity = new LinkedHashMap<>();
        if (state.personHold(HoldPoint.IDENTITY_SETTLED).isPresent()) {
            IdentityFinding finding = IdentityFinding.of(state, scan);
            Stream.concat(finding.expected().stream(), finding.unexpected().stream())
                    .forEach(odd -> identity.put(odd.module(), Said.Whose.SWAPPED_BEFORE));
        }
        DecideNotes.Since since = state.decided().notes().since();
        Set<String> right = scan.readings().values().stream()
                .filter(reading -> reading.text(Ident.SOFTWARE).equals(Optional.of(since.newerRight())))
                .map(ModuleReading::module)
                .collect(Collectors.toSet());
        Said said = Said.NOTHING
                .with(identity)
                .withNewerRight(right)
                .withComplaint(state.job().complaint())
                .with(since.proved());
        return state.calibration()
                .map(c -> said.withFile(c.manifest().softwareAfter()))
                .orElse(said);
    }

    /** What the plan needs against what is here; empty without a plan. */
    static Optional<Readiness> readiness(JobState state) {
        return state.plan()
                .flatMap(p -> state.before()
                        .map(scan -> Readiness.of(
                                p.plan(),
                                of(state, scan),
                                atHand(state),
                                state.now().at(),
                                state.now().zone())));
    }

    private static AtHand atHand(JobState state) {
        boolean file = state.calibration()
                .map(c -> FileFit.of(state, c.manifest()).usable())
                .orElse(false);
        return new AtHand(
                file ? state.job().replacedModule().map(Set::of).orElse(Set.of()) : Set.of(),
                state.sheet().map(JudgedSheet::good).orElse(false),
                ReferenceCoding.of(state).map(ReferenceCoding::known).orElse(false),
                state.benched().notes().cableSeen() || state.linkCheck().isPresent(),
                state.before().isPresent() && answers(state, state.before().get()),
                state.prepared().passUntil(),
                noted(state),
                state.access().account().map(KnownAccount::account),
                state.access().tool().map(ToolLook::serial),
                new AtHand.Typed(
                        state.prepared().codesHere(state.now()),
                        LearnedValues.typed(state),
                        !state.prepared().typed().order().isEmpty()));
    }

    /** An instruction whose source was typed with it is here with its source. */
    private static Map<String, Noted> noted(JobState state) {
        Map<String, Noted> noted = new LinkedHashMap<>(state.prepared().noted());
        state.decided().instructions().stream()
                .filter(note -> !note.source().isEmpty())
                .forEach(note -> noted.putIfAbsent(
                        Need.Kind.INSTRUCTION.key(), new Noted(true, Optional.empty(), note.source())));
        return noted;
    }

    private static boolean answers(JobState state, Scan scan) {
        return state.job()
                .replacedModule()
                .map(id -> scan.readings()
                        .getOrDefault(id, ModuleReading.silent(id))
                        .answers())
                .orElse(false);
    }

    /** Whether the job's module keeps or shares the immobiliser's secret, so that the owner must prove to be one. */
    public static boolean touchesImmobiliser(JobState state) {
        return state.job().kind().replaces()
                && state.job()
                        .replacedModule()
                        .flatMap(id -> state.pack().equipment().immobiliser().filter(i -> i.concerns(id)))
                        .isPresent();
    }

    /** Settings that features turn on, and those of what they need, to be written by name. */
    public static List<PutBack> settings(JobState state, Scan scan, List<Feature> wanted) {
        return named(state, scan, state.pack().equipment().on(wanted));
    }

    /** Settings that turn a feature off, as far as it is on. */
    public static List<PutBack> off(JobState state, Scan scan, Feature feature) {
        return named(state, scan, feature.off()).stream()
                .filter(off -> off.found().equals(feature.on().get(new Feature.Setting(off.layout(), off.field()))))
                .toList();
    }

    private static List<PutBack> named(JobState state, Scan scan, Map<Feature.Setting, String> values) {
        List<PutBack> settings = new ArrayList<>();
        values.forEach((setting, value) -> {
            String layout = setting.layout();
            String found = value(state, scan, layout, setting.field()).orElse("");
            settings.add(new PutBack(holder(state, layout), layout, setting.field(), value, found));
        });
        return settings;
    }

    /** Whether settings are chosen by name on the page: as the work, or beside it. */
    public static boolean byName(JobKind kind) {
        return !kind.onlyLooks() && kind != JobKind.FIND_LOST_SETTING;
    }
}
