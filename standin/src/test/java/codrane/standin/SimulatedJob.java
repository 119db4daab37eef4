package codrane.standin;

import static java.util.Objects.requireNonNull;

import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.PutBack;
import codrane.core.calibration.MemoryImage;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.job.Baselined;
import codrane.core.job.DecideNotes;
import codrane.core.job.Decided;
import codrane.core.job.Identified;
import codrane.core.job.IntakeNotes;
import codrane.core.job.IntakeNotes.OldModule;
import codrane.core.job.IntakeNotes.PartState;
import codrane.core.job.Job;
import codrane.core.job.JobAccess;
import codrane.core.job.JobState;
import codrane.core.job.Now;
import codrane.core.job.Part;
import codrane.core.job.PlanFacts;
import codrane.core.job.PlanVersion;
import codrane.core.job.RunTasks;
import codrane.core.job.Scan;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Policy;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.PlanQuestions;
import codrane.core.planner.Planner;
import codrane.core.run.RunTask;
import codrane.core.scan.DeepReading;
import codrane.core.scan.ModuleReading;
import codrane.link.scan.DeepReader;
import codrane.standin.vehicle.Setup;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import tools.jackson.databind.ObjectMapper;

/** A random job at a random vehicle, as far as its run: scanned, planned, and all at hand that the plan needs. */
final class SimulatedJob {
    private static final List<Pack> PACKS = List.of(
                    "brennick-lorne",
                    "brennick-almery",
                    "tolvane-chorus",
                    "tolvane-wisp",
                    "ardwyn-gannet",
                    "peregil-dunlin")
            .stream()
            .map(TestPacks::load)
            .map(SimulatedJob::withSmallFlash)
            .toList();

    static final List<JobKind> KINDS = List.of(
            JobKind.CLEAR_FAULTS,
            JobKind.RESTORE_SOFTWARE,
            JobKind.UPDATE_SOFTWARE,
            JobKind.CHANGE_SETTING,
            JobKind.CHANGE_LINE,
            JobKind.SCALED_VALUE,
            JobKind.CHOOSE_VARIANT,
            JobKind.FIND_LOST_SETTING,
            JobKind.REPLACE_MODULE,
            JobKind.REPLACE_MODULE,
            JobKind.REPLACE_BY_NEW,
            JobKind.REPLACE_IMMOBILISER,
            JobKind.REPLACE_DEAD,
            JobKind.REPLACE_SENSOR,
            JobKind.REPLACE_LICENSED,
            JobKind.ENABLE_EQUIPMENT,
            JobKind.RETROFIT,
            JobKind.LEARN_VIN);

    private static final Instant MORNING = Instant.parse("2026-03-02T08:05:00Z");
    private static final int FLASH = 24 * 1024;
    private static final int KEYS = 2;
    private static final ObjectMapper JSON = new ObjectMapper();

    private final Random random;
    private final Pack pack;
    private final JobKind kind;
    private final Optional<String> module;
    private final boolean used;
    private List<PutBack> settings = List.of();
    private String feature = "";
    private List<String> codesOut = List.of();
    private List<String> codesIn = List.of();

    /**
     * A job that can be run.
     *
     * @param before what was read of each module before its run
     */
    record Ready(
            String title,
            VirtualWorkshop workshop,
            List<RunTask> tasks,
            MemoryImage image,
            Map<String, ModuleReading> before) {
        DeepReading read() {
            return deepReading(workshop);
        }
    }

    private static DeepReading deepReading(VirtualWorkshop workshop) {
        Pack pack = workshop.vehicle().pack();
        return new DeepReader(workshop.link(), pack).read(pack.modules().values(), List.of(), m -> {});
    }

    private SimulatedJob(Random random) {
        this.random = random;
        pack = one(PACKS);
        kind = one(KINDS);
        module = about();
        used = kind != JobKind.REPLACE_BY_NEW && random.nextInt(4) > 0;
        if (!pack.equipment().features().isEmpty())
            feature = one(pack.equipment().features()).id();
        pack.equipment().order().ifPresent(order -> {
            String in = one(order.titles().keySet().stream()
                    .filter(code -> !order.factory().contains(code))
                    .toList());
            codesIn = List.of(in);
            codesOut = order.factory().stream() // what it can't be together with
                    .filter(code -> order.families().values().stream()
                            .anyMatch(f -> !f.inEachOthersWay(List.of(code, in)).isEmpty()))
                    .toList();
        });
    }

    /** Short enough that thousands of them are programmed in a quarter of an hour. */
    private static Pack withSmallFlash(Pack pack) {
        Pack small = pack;
        for (PackModule module : pack.modules().values())
            if (module.flash().isPresent())
                small = small.withFlash(module.id(), module.flash().get().withLength(FLASH));
        return small;
    }

    /** @return empty when no run follows: nothing to do, or the plan wants what nobody has */
    static Optional<Ready> of(Random random) {
        SimulatedJob job = new SimulatedJob(random);
        boolean ofModule = job.kind.about() == JobKind.About.PART || job.kind.about() == JobKind.About.MODULE;
        boolean impossible = ofModule && job.module.isEmpty();
        return impossible ? Optional.empty() : job.ready();
    }

    private <T> T one(List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    private Optional<String> about() {
        List<PackModule> all = pack.modules().values().stream()
                .filter(m -> switch (kind) {
                    case RESTORE_SOFTWARE, UPDATE_SOFTWARE -> m.flash().isPresent();
                    case LEARN_VIN -> m.traits().learnsVinFrom().isPresent();
                    case REPLACE_IMMOBILISER ->
                        pack.equipment()
                                .immobiliser()
                                .filter(i -> i.members().contains(m.id())
                                        || i.master().equals(m.id()))
                                .isPresent();
                    case REPLACE_MODULE, REPLACE_BY_NEW, REPLACE_DEAD, REPLACE_SENSOR, REPLACE_LICENSED ->
                        !pack.blocksOf(m).isEmpty() || m.flash().isPresent();
                    default -> false;
                })
                .toList();
        return all.isEmpty() ? Optional.empty() : Optional.of(one(all).id());
    }

    private Optional<Ready> ready() {
        VirtualWorkshop workshop = new VirtualWorkshop(setup());
        new Scenes(workshop).authorise();
        DeepReading reading = deepReading(workshop);
        settings = new SimulatedWish(random, pack, kind).chosen(reading);
        JobState unplanned = state(workshop, reading, Optional.empty());
        Scan scan = unplanned.before().orElseThrow();
        if (kind == JobKind.ENABLE_EQUIPMENT && !feature.isEmpty()) {
            settings = PlanFacts.settings(unplanned, scan, pack.equipment().features(List.of(feature)));
            unplanned = state(workshop, reading, Optional.empty());
        }
        VehicleFacts facts = unplanned.vehicleFacts(scan);
        if (!PlanQuestions.of(facts).isEmpty()) return Optional.empty();
        PlanVersion plan = new PlanVersion(1, 1, scan.id(), MORNING, "tech", Planner.plan(facts));
        JobState state = state(workshop, reading, Optional.of(plan));
        boolean runs = !plan.plan().blocked()
                && !state.writes().isEmpty()
                && RunTasks.unable(state).isEmpty();
        if (!runs) return Optional.empty();
        MemoryImage image = image();
        return Optional.of(new Ready(
                kind + " " + module.orElse("") + " of " + pack.id(),
                workshop,
                RunTasks.of(state, image),
                image,
                reading.modules()));
    }

    private Setup setup() {
        Setup standard = Setup.healthy(pack, Conditions.standard(pack).vin());
        if (kind == JobKind.ENABLE_EQUIPMENT) return uncoded(standard);
        if (module.isEmpty())
            return kind == JobKind.CLEAR_FAULTS ? standard.withFault(one(ids()), "U1301-00") : standard;
        String id = module.get();
        String current = requireNonNull(pack.module(id).software()).current();
        codrane.standin.module.Part fitted = standard.of(id);
        return switch (kind) {
            case RESTORE_SOFTWARE -> standard.with(id, fitted.withAlteredSoftware());
            case UPDATE_SOFTWARE ->
                standard.with(id, codrane.standin.module.Part.fitted(standard.vin(), older(current)));
            case LEARN_VIN -> standard.with(id, codrane.standin.module.Part.used(donor(standard), current));
            default ->
                standard.with(
                        id,
                        used
                                ? codrane.standin.module.Part.used(
                                        donor(standard), random.nextBoolean() ? current : older(current))
                                : random.nextBoolean()
                                                && pack.module(id).flash().isPresent()
                                        ? codrane.standin.module.Part.blank()
                                        : codrane.standin.module.Part.unwritten(current));
        };
    }

    /** The chosen equipment is off, and what is on hinders nothing. */
    private Setup uncoded(Setup standard) {
        Map<String, Map<String, String>> off = new HashMap<>();
        pack.equipment()
                .features()
                .forEach(any -> any.on()
                        .forEach((setting, on) -> pack.modules().values().stream()
                                .filter(m -> m.blocks().contains(setting.layout()))
                                .forEach(m -> pack
                                        .layout(setting.layout())
                                        .field(setting.field())
                                        .orElseThrow()
                                        .values()
                                        .values()
                                        .stream()
                                        .filter(value -> !value.equals(on))
                                        .sorted()
                                        .findFirst()
                                        .ifPresent(value -> off.computeIfAbsent(m.id(), k -> new HashMap<>())
                                                .put(setting.field(), value)))));
        Setup setup = standard;
        for (Map.Entry<String, Map<String, String>> values : off.entrySet())
            setup = setup.with(values.getKey(), setup.of(values.getKey()).withValues(values.getValue()));
        return setup;
    }

    private List<String> ids() {
        return List.copyOf(pack.modules().keySet());
    }

    private codrane.core.vin.Vin donor(Setup standard) {
        codrane.core.vin.Vin other = Conditions.ofFleet(pack, 7).vin();
        return other.equals(standard.vin()) ? Conditions.ofFleet(pack, 8).vin() : other;
    }

    /** A version before that one: its last figure is one less. */
    private static String older(String version) {
        int last = version.charAt(version.length() - 1) - '0';
        return last <= 0 ? version : version.substring(0, version.length() - 1) + (last - 1);
    }

    private MemoryImage image() {
        return module.map(pack::module)
                .filter(m -> m.flash().isPresent())
                .map(m -> VirtualWorkshop.content(m))
                .orElseGet(MemoryImage::new);
    }

    private JobState state(VirtualWorkshop workshop, DeepReading reading, Optional<PlanVersion> plan) {
        Job job = new Job(
                1,
                2201,
                new Job.Vehicle(1, workshop.vin(), pack.id(), pack.title()),
                new Job.Wanted(
                        kind,
                        "It does not work",
                        module,
                        kind.replaces()
                                ? Optional.of(used ? PartOrigin.SECOND_HAND : PartOrigin.NEW)
                                : Optional.empty()),
                new Job.Life(MORNING, "desk", Optional.empty(), "", Optional.empty()),
                0);
        Scan scan = new Scan(1, MORNING, "tech", reading.modules());
        BaselineSummary summary = new BaselineSummary(
                1,
                1L,
                1,
                MORNING,
                "tech",
                "0".repeat(64),
                BaselineSummary.Origin.READ,
                BaselineSummary.Purpose.BEFORE,
                "",
                reading.modules().size());
        BaselineFile file = file(workshop, reading);
        Gateway gateway = workshop.vehicle().gateway().there()
                ? new Gateway.Authorised(MORNING.plusSeconds(3600))
                : new Gateway.None();
        List<Part> parts = List.of(
                intake(),
                new Identified(List.of(scan), List.of()),
                new JobAccess(gateway, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), MORNING),
                new Baselined(List.of(summary), id -> file, () -> List.of(neighbour())),
                new Decided(notes(), Policy.DEFAULT, MarketRules.NONE, settings, plan),
                new SimulatedPapers(pack, module, MORNING).prepared(workshop));
        return new JobState(job, pack, new Now(MORNING, ZoneOffset.UTC), List.of(), parts);
    }

    private IntakeNotes intake() {
        IntakeNotes.Details details = new IntakeNotes.Details(
                kind.replaces() ? Optional.of(PartState.MOUNTED) : Optional.empty(),
                "",
                "",
                Optional.empty(),
                "",
                KEYS,
                KEYS,
                "papers",
                List.of(),
                Optional.empty());
        return new IntakeNotes(kind.replaces() ? Optional.of(OldModule.OUT) : Optional.empty(), "", details);
    }

    private DecideNotes notes() {
        if (kind == JobKind.ENABLE_EQUIPMENT) return DecideNotes.NONE.withFeatures(List.of(feature));
        if (kind == JobKind.RETROFIT) return DecideNotes.NONE.withCodes(codesOut, codesIn);
        return module.filter(m -> kind.replaces())
                .map(m -> pack.module(m).parts().fitted())
                .map(number -> DecideNotes.NONE.withPart(number, number))
                .orElse(DecideNotes.NONE);
    }

    /** Another vehicle of the model, as built: nothing of its coding is a gap. */
    private BaselineFile neighbour() {
        VirtualWorkshop workshop = new VirtualWorkshop(Conditions.ofFleet(pack, 3));
        return file(workshop, deepReading(workshop));
    }

    private BaselineFile file(VirtualWorkshop workshop, DeepReading reading) {
        String json = Baseline.of(pack, workshop.vin().text(), MORNING, reading).json();
        return ((BaselineFile.Read.File) BaselineFile.read(JSON.readValue(json, Object.class))).baseline();
    }
}
