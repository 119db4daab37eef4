package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.baseline.PutBack;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.SettingChange;
import codrane.core.plan.Wishes;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** An instruction's line: what no setting explains is the lead's. */
class UnexplainedBitsTest {
    private static final Pack ALMERY = Packs.load("brennick-almery");
    private static final Layout LAMPS = ALMERY.layout("body-lamps");
    private static final Bytes BUILT =
            ((Layout.Encoded.Block) LAMPS.encode(LAMPS.factory(), Bytes.filled(LAMPS.length(), 0))).octets();

    private static Operation line(JobKind kind, Bytes to) {
        SettingChange change = new SettingChange(
                "body", LAMPS.id(), PutBack.WHOLE, LAMPS.title(), BUILT.hex(), to.hex(), Optional.empty());
        return Cases.operation(
                Planner.plan(Cases.healthy(kind, ALMERY, Cases.ALMERY).with(Wishes.of(List.of(change)))),
                Kind.WRITE_CODING,
                "body");
    }

    private static Bytes with(int octet, int value) {
        byte[] octets = BUILT.toArray();
        octets[octet] = (byte) value;
        return LAMPS.check().apply(Bytes.copyOf(octets));
    }

    @Test
    void line_thatChangesBitsWithoutAName_isTheLeads_andSaysWhich() {
        Operation write = line(JobKind.CHANGE_LINE, with(9, 0x41));
        assertThat(write.holds()).contains(HoldPoint.LEAD_APPROVED);
        assertThat(write.reasons())
                .anyMatch(r -> r.matches(
                        "No setting explains what is changed in BOD/\\d\\d byte \\d, bits 6 0: the lead opens it\\."));
    }

    @Test
    void line_thatChangesASettingOnly_isNot_whateverItsCheckBecomes() {
        Layout.Encoded.Block longer = (Layout.Encoded.Block) LAMPS.encode(Map.of("lamp.step.hold", "10 s"), BUILT);
        Operation write = line(JobKind.CHANGE_LINE, longer.octets());
        assertThat(write.holds()).doesNotContain(HoldPoint.LEAD_APPROVED);
        assertThat(write.reasons()).noneMatch(r -> r.contains("explains"));
    }

    @Test
    void line_isToldByWhatItMeans_thenByItsBytes() {
        Layout.Encoded.Block longer = (Layout.Encoded.Block) LAMPS.encode(Map.of("lamp.step.hold", "10 s"), BUILT);
        assertThat(line(JobKind.CHANGE_LINE, longer.octets()).reasons())
                .contains("Step lamp stays on: 5 s → 10 s.")
                .anyMatch(r -> r.matches("BOD/03 byte 4: .. → ..; its check follows\\."))
                .noneMatch(r -> r.contains("as they were left"));
    }

    @Test
    void line_thatGivesAValueThatThePackDoesNotList_isTheLeads() {
        Operation write = line(JobKind.CHANGE_LINE, with(3, BUILT.u8(3) | 0xE0));
        assertThat(write.holds()).contains(HoldPoint.LEAD_APPROVED);
        assertThat(write.reasons()).anyMatch(r -> r.contains("\"Step lamp stays on\" would be unlisted"));
    }

    /** Found in the code: what was refused by name could be written by its line. */
    @Test
    void line_thatLeavesTheLimitsOfASetting_orItsVehicle_isBlocked() {
        Pack lorne = Packs.load("brennick-lorne");
        int judged = 0;
        for (Layout layout : lorne.layouts().values()) {
            if (lorne.holder(layout.id()).isEmpty()) continue;
            Bytes built =
                    ((Layout.Encoded.Block) layout.encode(layout.factory(), Bytes.filled(layout.length(), 0))).octets();
            for (Field field : layout.fields()) {
                Optional<String> beyond = lorne.setting(layout.id(), field.key())
                        .most()
                        .map(most -> field.worded(most.add(field.scale().factor())))
                        .filter(value -> field.rawOf(value).isPresent());
                if (field.key().equals(lorne.madeFor().get(layout.id()))) beyond = Optional.of("999999");
                if (beyond.isEmpty()
                        || !(layout.encode(Map.of(field.key(), beyond.get()), built)
                                instanceof Layout.Encoded.Block(Bytes to))) continue;
                judged++;
                SettingChange change = new SettingChange(
                        lorne.holder(layout.id()).orElseThrow().id(),
                        layout.id(),
                        PutBack.WHOLE,
                        layout.title(),
                        built.hex(),
                        to.hex(),
                        Optional.empty());
                assertThat(Planner.plan(Cases.healthy(JobKind.CHANGE_LINE, lorne, Cases.LORNE)
                                        .with(Wishes.of(List.of(change))))
                                .blocked())
                        .as(layout.id() + "/" + field.key() + " as " + beyond.get())
                        .isTrue();
            }
        }
        assertThat(judged).isGreaterThan(20);
    }

    @Test
    void wholeBlock_ofThisModuleAsItWasLeft_isNot() {
        assertThat(line(JobKind.FIND_LOST_SETTING, with(9, 0x41)).holds()).doesNotContain(HoldPoint.LEAD_APPROVED);
    }
}
