package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.access.WorkshopAccount;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Packs;
import codrane.core.plan.Aids;
import codrane.core.plan.JobKind;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import codrane.core.ready.AtHand;
import codrane.core.ready.Need;
import codrane.core.ready.Need.Kind;
import codrane.core.ready.Need.State;
import codrane.core.ready.Noted;
import codrane.core.ready.Readiness;
import codrane.core.ready.RequestLetter;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What plans need, and when they can start. */
class ReadinessTest {
    private static final Instant THURSDAY = Instant.parse("2026-11-26T15:10:00Z");

    private static Readiness of(VehicleFacts facts, AtHand hand, Instant now) {
        Plan plan = Planner.plan(facts);
        assertThat(plan.blocked()).isFalse();
        return Readiness.of(plan, facts, hand, now, ZoneOffset.UTC);
    }

    private static Readiness of(VehicleFacts facts) {
        return of(facts, AtHand.NOTHING, THURSDAY);
    }

    private static Need need(Readiness readiness, Kind kind) {
        return readiness.needs().stream()
                .filter(n -> n.kind() == kind)
                .findFirst()
                .orElseThrow(() -> new AssertionError(kind + " is not in " + readiness.needs()));
    }

    private static List<Kind> kinds(Readiness readiness) {
        return readiness.needs().stream().map(Need::kind).toList();
    }

    @ParameterizedTest
    @CsvSource({
        "2026-11-26T15:10:00Z, 2026-11-27T10:00:00Z", // Thursday: tomorrow
        "2026-11-27T15:10:00Z, 2026-11-30T10:00:00Z", // Friday: Monday
        "2026-11-28T09:00:00Z, 2026-11-30T10:00:00Z", // Saturday: Monday
        "2026-11-29T23:59:00Z, 2026-11-30T10:00:00Z"
    })
    void file_byMail_isHereOnTheNextWorkingDay(Instant now, Instant here) {
        Need file = need(of(Cases.k15(), AtHand.NOTHING, now), Kind.FILE);
        assertThat(now.plus(file.lead())).isEqualTo(here);
        assertThat(file.sentence()).contains("asked for by mail with VIN and part number");
    }

    @Test
    void file_bought_hasItsPriceAndTokens() {
        Readiness readiness = of(Cases.k10());
        assertThat(need(readiness, Kind.FILE).price()).contains(80);
        assertThat(need(readiness, Kind.FILE).costs()).isTrue();
        assertThat(need(readiness, Kind.TOKENS).sentence()).contains("1 for the file", "balance before and after");
        assertThat(need(readiness, Kind.TOKENS).costs()).isTrue();
    }

    @Test
    void file_boughtAndHere_needsNoTokensAnyMore() {
        AtHand hand = new AtHand(Set.of("spreader"), false, false, true, Optional.empty(), Map.of());
        assertThat(kinds(of(Cases.k10(), hand, THURSDAY))).contains(Kind.FILE).doesNotContain(Kind.TOKENS);
    }

    @Test
    void file_onTheShelf_isHere() {
        AtHand hand = new AtHand(Set.of("tail-lift"), false, false, true, Optional.empty(), Map.of());
        Need file = need(of(Cases.k9(), hand, THURSDAY), Kind.FILE);
        assertThat(file.state()).isEqualTo(State.HERE);
        assertThat(need(of(Cases.k9()), Kind.FILE).state()).isEqualTo(State.TO_GET);
    }

    @Test
    void pass_thatEndsBeforeTheRunDoes_isNone() {
        AtHand ends = new AtHand(Set.of(), false, false, true, Optional.of(THURSDAY.plusSeconds(30)), Map.of());
        AtHand runs =
                new AtHand(Set.of(), false, false, true, Optional.of(THURSDAY.plus(Duration.ofDays(3))), Map.of());
        assertThat(need(of(Cases.k9(), ends, THURSDAY), Kind.PASS).state()).isEqualTo(State.TO_GET);
        assertThat(need(of(Cases.k9(), ends, THURSDAY), Kind.PASS).sentence()).contains("1 day 45 cr, 14 days 310 cr");
        assertThat(need(of(Cases.k9(), runs, THURSDAY), Kind.PASS).here()).isTrue();
    }

    @Test
    void pass_ended_whatCameIsUsedWithoutOne() {
        AtHand came = new AtHand(Set.of("tail-lift"), true, false, true, Optional.empty(), Map.of());
        AtHand noSheet = new AtHand(Set.of("tail-lift"), false, false, true, Optional.empty(), Map.of());
        assertThat(need(of(Cases.k9(), came, THURSDAY), Kind.PASS).sentence())
                .contains("Not needed: what it is for is here");
        assertThat(need(of(Cases.k9(), came, THURSDAY), Kind.PASS).here()).isTrue();
        assertThat(need(of(Cases.k9(), noSheet, THURSDAY), Kind.PASS).state()).isEqualTo(State.TO_GET);
    }

    @Test
    void codes_forPairing_areGotLastOnTheDay() {
        Readiness readiness = of(Cases.k12());
        assertThat(need(readiness, Kind.DAILY_CODE).sentence()).contains("Got last, on the day itself");
        assertThat(need(readiness, Kind.ACCESS_CODE).price()).isEmpty(); // unknown until asked: counts as a cost
        assertThat(need(readiness, Kind.ACCESS_CODE).costs()).isTrue();
        assertThat(kinds(of(Cases.k11()))).doesNotContain(Kind.DAILY_CODE);
    }

    @Test
    void keys_missingOne_areNotHereUntilItIsGivenUpWithAReason() {
        assertThat(need(of(Cases.k12()), Kind.KEYS).state()).isEqualTo(State.TO_GET);
        AtHand given = new AtHand(
                Set.of(),
                false,
                false,
                true,
                Optional.empty(),
                Map.of("keys", new Noted(true, Optional.empty(), "lost at sea")));
        Need keys = need(of(Cases.k12(), given, THURSDAY), Kind.KEYS);
        assertThat(keys.here()).isTrue();
        assertThat(keys.sentence()).contains("2 of 3 are here").contains("given up: lost at sea");
        assertThat(need(of(Cases.k12().with(Aids.NONE.with(new Aids.Keys(3, 3)))), Kind.KEYS)
                        .here())
                .isTrue();
    }

    @Test
    void aiming_needsTargetsAndSomebodyTrained() {
        Readiness readiness = of(Cases.k14Read());
        assertThat(kinds(readiness)).contains(Kind.TARGETS, Kind.PEOPLE);
        assertThat(need(readiness, Kind.TARGETS).title()).isEqualTo("Targets for aiming, front radar");
    }

    @Test
    void licence_instruction_areAskedForWhereTheyAreNeeded() {
        assertThat(kinds(of(Cases.k17()))).contains(Kind.LICENCE);
        assertThat(kinds(of(Cases.k6()))).contains(Kind.INSTRUCTION);
        assertThat(kinds(of(Cases.k19(JobKind.CHANGE_SETTING)))).doesNotContain(Kind.LICENCE, Kind.INSTRUCTION);
    }

    @Test
    void asked_andDue_saysWhenAndIsLateAfterwards() {
        Instant due = Instant.parse("2026-12-01T10:00:00Z");
        AtHand asked = new AtHand(
                Set.of(),
                false,
                true,
                true,
                Optional.empty(),
                Map.of("file:steering", new Noted(false, Optional.of(due), "Asked for under JOB-1-STR")));
        Readiness before = of(Cases.k15(), asked, THURSDAY);
        assertThat(need(before, Kind.FILE).state()).isEqualTo(State.ASKED);
        assertThat(before.earliestStart()).isEqualTo(due);
        Readiness after = of(Cases.k15(), asked, due.plusSeconds(60));
        assertThat(need(after, Kind.FILE).state()).isEqualTo(State.LATE);
        assertThat(after.earliestStart()).isAfter(due.plusSeconds(60));
    }

    @Test
    void earliestStart_isThatOfTheLongest() {
        Readiness readiness = of(Cases.k15());
        Need longest = readiness.longest(THURSDAY).orElseThrow();
        assertThat(readiness.earliestStart()).isEqualTo(THURSDAY.plus(longest.lead()));
        assertThat(readiness.missing()).contains(longest);
        assertThat(readiness.everythingHere()).isFalse();
    }

    @Test
    void everything_saidToBeHere_canStartNow() {
        Readiness missing = of(Cases.k14Read());
        Map<String, Noted> all = new java.util.HashMap<>();
        missing.needs().forEach(n -> all.put(n.key(), new Noted(true, Optional.empty(), "")));
        AtHand hand = new AtHand(
                Set.of("front-radar"), true, true, true, Optional.of(THURSDAY.plus(Duration.ofDays(9))), all);
        assertThat(of(Cases.k14Read(), hand, THURSDAY).missing()).isEmpty();
        Optional<WorkshopAccount> known = Optional.of(account(true, Optional.empty(), "Ines"));
        Readiness ready = of(Cases.k14Read(), hand.with(known, Optional.of("PLV2-204417")), THURSDAY);
        assertThat(ready.needs()).allMatch(Need::here);
        assertThat(ready.earliestStart()).isEqualTo(THURSDAY);
    }

    @Test
    void needs_ofAPlanThatWritesNothing_areNone() {
        VehicleFacts read = Cases.healthy(JobKind.BASELINE_ONLY, Packs.lorne(), Cases.LORNE);
        assertThat(of(read).needs()).isEmpty();
        assertThat(of(read).earliestStart()).isEqualTo(THURSDAY);
    }

    @Test
    void needs_ofEveryKind_haveSentencesAndNamesOfTheirOwn() {
        for (VehicleFacts facts : List.of(
                Cases.k2(),
                Cases.k3(),
                Cases.k6(),
                Cases.k7(),
                Cases.k8(),
                Cases.k9(),
                Cases.k10(),
                Cases.k11(),
                Cases.k12(),
                Cases.k13(),
                Cases.k14Read(),
                Cases.k15(),
                Cases.k17())) {
            Readiness readiness = of(facts);
            assertThat(readiness.needs())
                    .isNotEmpty()
                    .allSatisfy(
                            n -> assertThat(n.sentence()).endsWith(".").doesNotContainPattern("\\d{4}-\\d\\d-\\d\\d"));
            assertThat(readiness.needs()).extracting(Need::key).doesNotHaveDuplicates();
            assertThat(kinds(readiness)).isSorted();
        }
    }

    @Test
    void letter_forAFile_hasVinNumbersAndAReference() {
        RequestLetter letter =
                RequestLetter.file(2218, Cases.k15(), "steering", "PG-12410-E2", "PG-12410-E2", "Pierhead Yard");
        assertThat(letter.reference()).isEqualTo("JOB-2218-STR");
        assertThat(letter.body())
                .contains("VIN: 0PG DN4B2Z HC013377")
                .contains("PG-12410-E2")
                .contains("none, boot software only")
                .endsWith("Pierhead Yard");
        assertThat(letter.to()).endsWith(".invalid"); // no real address
    }

    private static WorkshopAccount account(boolean plan, Optional<Instant> checkedAt, String... technicians) {
        return new WorkshopAccount(
                "Brennick Trade Desk",
                true,
                true,
                plan ? Optional.of("Two tools") : Optional.empty(),
                Optional.empty(),
                plan ? 2 : 0,
                checkedAt,
                List.of(technicians),
                Map.of("PLV2-204417", "Plover"),
                THURSDAY);
    }

    private static Need authority(Optional<WorkshopAccount> account, String tool) {
        return need(of(Cases.k14Read(), AtHand.NOTHING.with(account, Optional.of(tool)), THURSDAY), Kind.AUTHORITY);
    }

    @Test
    void authority_thatWasNeverAsked_movesTheEarliestStartByItsCheck() {
        Need need = authority(Optional.empty(), "PLV2-204417");
        assertThat(need.state()).isEqualTo(State.TO_GET);
        assertThat(need.lead()).isEqualTo(Duration.ofHours(4));
        assertThat(need.sentence()).contains("was not asked yet");
        VehicleFacts line = Cases.k6();
        AtHand cable = new AtHand(
                Set.of(),
                false,
                true,
                false,
                Optional.empty(),
                Map.of("instruction", new Noted(true, Optional.empty(), "")));
        assertThat(of(line, cable, THURSDAY).earliestStart()).isEqualTo(THURSDAY.plus(Duration.ofHours(4)));
        assertThat(of(line, cable, THURSDAY).everythingHere())
                .as("Prepare does not hold what Unlock holds")
                .isTrue();
    }

    @Test
    void authority_whatItLacks_hasItsOwnLead() {
        assertThat(authority(Optional.of(account(false, Optional.empty())), "PLV2-204417"))
                .satisfies(n -> assertThat(n.lead()).isEqualTo(Duration.ofHours(4)))
                .satisfies(n -> assertThat(n.sentence()).startsWith("No plan is taken"));
        assertThat(authority(Optional.of(account(true, Optional.empty(), "Ines")), "PLV2-999999"))
                .satisfies(n -> assertThat(n.lead()).isEqualTo(Duration.ofMinutes(15)))
                .satisfies(n -> assertThat(n.sentence()).contains("PLV2-999999 is not registered"));
        assertThat(authority(Optional.of(account(true, Optional.empty())), "PLV2-204417")
                        .sentence())
                .isEqualTo("No technician of the workshop is known there: the lead adds people.");
        Instant checked = THURSDAY.plusSeconds(600);
        assertThat(authority(Optional.of(account(true, Optional.of(checked), "Ines")), "PLV2-204417"))
                .satisfies(n -> assertThat(n.state()).isEqualTo(State.ASKED))
                .satisfies(n -> assertThat(n.due()).contains(checked));
        assertThat(authority(Optional.of(account(true, Optional.empty(), "Ines")), "PLV2-204417"))
                .satisfies(n -> assertThat(n.here()).isTrue())
                .satisfies(n -> assertThat(n.sentence()).contains("as technician, Ines"));
    }

    @Test
    void authority_openGateway_isHereUntilItEnds() {
        VehicleFacts locked = Cases.k14Read();
        Gateway authorised = new Gateway.Authorised(THURSDAY.plusSeconds(60));
        VehicleFacts open = VehicleFacts.of(locked.kind(), locked.pack(), locked.vin(), locked.answers(), authorised)
                .with(locked.part())
                .with(locked.aids());
        assertThat(need(of(open, AtHand.NOTHING, THURSDAY), Kind.AUTHORITY).here())
                .isTrue();
        assertThat(need(of(open, AtHand.NOTHING, THURSDAY.plusSeconds(61)), Kind.AUTHORITY)
                        .here())
                .isFalse();
        assertThat(kinds(of(Cases.k9()))).doesNotContain(Kind.AUTHORITY);
    }
}
