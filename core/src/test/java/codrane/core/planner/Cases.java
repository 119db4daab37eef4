package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.fault.Fault;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Packs;
import codrane.core.plan.Aids;
import codrane.core.plan.Aids.Keys;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.Policy;
import codrane.core.plan.School;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.vin.Vin;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Facts of invented jobs, one for each kind, for tests of rules. */
final class Cases {
    static final Vin LORNE = new Vin("0BKLR3A46MN004127");
    static final Vin LORNE_BUS = new Vin("0BKLR3A4XNN008893");
    static final Vin ALMERY = new Vin("0BKAM7D26RN001906");
    static final Vin CHORUS = new Vin("0TVCH5E12SN000318");
    static final Vin WISP = new Vin("0TVWP2E67TN002240");
    static final Vin GANNET = new Vin("0AWGN7K88KN000417");
    static final Vin DUNLIN = new Vin("0PGDN4B2ZHC013377");
    static final String DONOR = "0BKLR3A48MN004131";

    private static final MarketRules ISLAND = load();

    private Cases() {}

    static MarketRules island() {
        return ISLAND;
    }

    private static MarketRules load() {
        try {
            String yaml = Files.readString(Path.of("..", "packs", "markets", "island.yaml"));
            return ((MarketRules.Result.Loaded) MarketRules.load("island.yaml", yaml)).rules();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Every module healthy and this vehicle's; the gateway open to us where there is one. */
    static VehicleFacts healthy(JobKind kind, Pack pack, Vin vin) {
        Map<String, ModuleAnswer> answers = new LinkedHashMap<>();
        for (PackModule module : pack.modules().values())
            answers.put(
                    module.id(),
                    answer(
                            vin.text(),
                            module.software().current(),
                            module.blocks().isEmpty() ? CodingState.NONE : CodingState.AGREES));
        Gateway gateway = pack.hasGateway(vin) ? new Gateway.Locked() : new Gateway.None();
        return VehicleFacts.of(kind, pack, vin, answers, gateway).with(island().on(LocalDate.of(2026, 11, 26)));
    }

    static ModuleAnswer answer(String vin, String software, CodingState coding, Fault... faults) {
        return new ModuleAnswer(Presence.ANSWERS, Optional.of(vin), software, coding, List.of(faults));
    }

    static ModuleAnswer bootOnly() {
        return new ModuleAnswer(Presence.BOOT_ONLY, Optional.of(""), "", CodingState.BLANK, List.of());
    }

    static VehicleFacts with(VehicleFacts facts, String module, ModuleAnswer answer) {
        Map<String, ModuleAnswer> answers = new LinkedHashMap<>(facts.answers());
        answers.put(module, answer);
        return new VehicleFacts(
                facts.kind(),
                facts.pack(),
                facts.vin(),
                answers,
                facts.gateway(),
                facts.part(),
                facts.wishes(),
                facts.aids(),
                facts.policy(),
                facts.law());
    }

    static PartFacts part(String module, PartOrigin origin, PartFacts.Old old) {
        return PartFacts.of(module).with(origin).with(old).with(PartFacts.State.MOUNTED);
    }

    /** K2: the gearbox of the minibus, altered by an earlier owner; body stands in, since the pack can program it. */
    static VehicleFacts k2() {
        return healthy(JobKind.RESTORE_SOFTWARE, Packs.lorne(), LORNE_BUS)
                .with(PartFacts.of("body"))
                .with(Aids.NONE.with(Aids.Content.ALTERED));
    }

    /** K3: the Almery's engine, one version behind. */
    static VehicleFacts k3() {
        return with(
                healthy(JobKind.UPDATE_SOFTWARE, Packs.load("brennick-almery"), ALMERY)
                        .with(PartFacts.of("engine")),
                "engine",
                answer(ALMERY.text(), "4.11", CodingState.AGREES));
    }

    /** K6: a line of the Almery's sheet. */
    static VehicleFacts k6() {
        return healthy(JobKind.CHANGE_LINE, Packs.load("brennick-almery"), ALMERY)
                .with(Wishes.of(
                        List.of(setting("body", "body-lamps", "lamp.step.hold", "Step lamp stays on", "5 s", "10 s"))));
    }

    static SettingChange setting(String module, String block, String field, String title, String from, String to) {
        return new SettingChange(module, block, field, title, from, to, Optional.empty());
    }

    /** K7: passenger counting on the Chorus, with wash mode off. */
    static VehicleFacts k7() {
        return healthy(JobKind.ENABLE_EQUIPMENT, Packs.load("tolvane-chorus"), CHORUS)
                .with(Wishes.of(
                        List.of("counting"),
                        List.of(
                                setting("body", "body-main", "counting", "Passenger counting", "no", ""),
                                setting("doors", "doors-main", "counting", "Counts passengers", "no", ""),
                                setting("body", "body-main", "wash", "Wash mode", "no", ""))));
    }

    /** K8: the folding ramp of the Chorus. */
    static VehicleFacts k8() {
        return with(
                healthy(JobKind.RETROFIT, Packs.load("tolvane-chorus"), CHORUS)
                        .with(Wishes.of(new Wishes.OrderChange(
                                List.of("MKT1", "RMP1", "WSH1", "WCH2"), List.of("RMP1"), List.of("RMP2")))),
                "ramp",
                answer("", "1.0", CodingState.BLANK));
    }

    /** K9 with programming: the second-hand tail lift. */
    static VehicleFacts k9() {
        return with(
                healthy(JobKind.REPLACE_MODULE, Packs.lorne(), LORNE)
                        .with(part("tail-lift", PartOrigin.SECOND_HAND, PartFacts.Old.GONE)),
                "tail-lift",
                answer(DONOR, "3.08", CodingState.FOR_ANOTHER));
    }

    /** K9, and the software of the part is the newest. */
    static VehicleFacts fits() {
        return with(k9(), "tail-lift", answer(DONOR, "3.12", CodingState.FOR_ANOTHER));
    }

    /** K10: a new spreader. */
    static VehicleFacts k10() {
        return with(
                healthy(JobKind.REPLACE_BY_NEW, Packs.load("ardwyn-gannet"), GANNET)
                        .with(part("spreader", PartOrigin.NEW, PartFacts.Old.SILENT)),
                "spreader",
                bootOnly());
    }

    /** K11: the gearbox from a donor. */
    static VehicleFacts k11() {
        return with(
                healthy(JobKind.REPLACE_IMMOBILISER, Packs.lorne(), LORNE)
                        .with(part("gearbox", PartOrigin.SECOND_HAND, PartFacts.Old.SILENT))
                        .with(Aids.NONE.with(new Keys(2, 2))),
                "gearbox",
                answer(DONOR, "2.07", CodingState.FOR_ANOTHER));
    }

    /** K12: the burnt body of the taxi, blank part, two of three keys. */
    static VehicleFacts k12() {
        return with(
                healthy(JobKind.REPLACE_DEAD, Packs.load("peregil-dunlin"), DUNLIN)
                        .with(part("body", PartOrigin.NEW, PartFacts.Old.SILENT))
                        .with(Aids.NONE.with(new Keys(3, 2))),
                "body",
                answer("", "5.2", CodingState.BLANK));
    }

    /** K13: the doors learn the VIN from the body. */
    static VehicleFacts k13() {
        return with(
                healthy(JobKind.LEARN_VIN, Packs.lorne(), LORNE_BUS).with(PartFacts.of("doors")),
                "doors",
                answer(DONOR, "2.4", CodingState.AGREES));
    }

    /** K14: the front radar after a parking knock; the old one still speaks. */
    static VehicleFacts k14() {
        return with(
                healthy(JobKind.REPLACE_SENSOR, Packs.load("brennick-almery"), ALMERY)
                        .with(part("front-radar", PartOrigin.NEW, PartFacts.Old.SPEAKS)),
                "front-radar",
                answer("", "2.02", CodingState.BLANK));
    }

    /** K14, when the old radar was read and the new one is in. */
    static VehicleFacts k14Read() {
        return k14().with(part("front-radar", PartOrigin.NEW, PartFacts.Old.READ))
                .with(Aids.NONE.withSources(java.util.Set.of(codrane.core.pack.CodingSource.OLD_MODULE)));
    }

    /** K15: the taxi's steering, file by mail. */
    static VehicleFacts k15() {
        return with(
                healthy(JobKind.REPLACE_LICENSED, Packs.load("peregil-dunlin"), DUNLIN)
                        .with(part("steering", PartOrigin.NEW, PartFacts.Old.SILENT)),
                "steering",
                bootOnly());
    }

    /** K17: the announcement amplifier's variant. */
    static VehicleFacts k17() {
        return healthy(JobKind.CHOOSE_VARIANT, Packs.load("tolvane-chorus"), CHORUS)
                .with(Wishes.of(List.of(
                        setting("announcements", "announce-main", "variant", "Sound variant", "plain", "speech"))));
    }

    /** K5 and K19: spreader width and tilt limit. */
    static VehicleFacts k19(JobKind kind) {
        return healthy(kind, Packs.load("ardwyn-gannet"), GANNET)
                .with(Wishes.of(List.of(
                        setting("spreader", "spreader-main", "width", "Spreading width", "6 m", "4.5 m"),
                        setting(
                                "spreader",
                                "spreader-main",
                                "tilt.limit",
                                "Hopper tilt limit",
                                "42 degrees",
                                "40 degrees"))));
    }

    static VehicleFacts overruled(VehicleFacts facts, School school, String answer) {
        return facts.with(new Policy(
                facts.policy().answers(),
                List.of(new Policy.Overrule(school, answer, "tried on the twin before", "lead"))));
    }

    /** A plan of which nothing is asked, and that is not blocked. */
    static Plan plan(VehicleFacts facts) {
        assertThat(PlanQuestions.of(facts)).isEmpty();
        Plan plan = Planner.plan(facts);
        assertThat(plan.blocks()).isEmpty();
        return plan;
    }

    /** Of what is done for certain. */
    static List<Kind> kinds(Plan plan) {
        return plan.operations().stream()
                .filter(o -> !o.conditional())
                .map(Operation::kind)
                .toList();
    }

    static String reason(Plan plan, String rule) {
        return judgement(plan, rule).reason();
    }

    static Judgement judgement(Plan plan, String rule) {
        return plan.decisions().stream()
                .filter(d -> d.rule().equals(rule))
                .findFirst()
                .orElseThrow()
                .judgement();
    }

    static Operation operation(Plan plan, Kind kind, String module) {
        return plan.operations().stream()
                .filter(o -> o.kind() == kind && o.module().equals(module))
                .findFirst()
                .orElseThrow(() -> new AssertionError(kind + " " + module + " is not in " + kinds(plan)));
    }
}
