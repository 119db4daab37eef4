package codrane.app.gallery;

import codrane.app.job.JobFrame.Button;
import codrane.app.job.JobFrame.Look;
import codrane.app.job.JobFrame.Next;
import codrane.app.shelf.LineageView;
import codrane.app.tools.CheckView;
import codrane.app.web.ForecastPicture;
import codrane.app.web.LedgerView;
import codrane.app.web.MatrixView;
import codrane.app.web.PairingPicture;
import codrane.app.web.River;
import codrane.app.web.StairsPicture;
import codrane.app.web.SupplyPicture;
import codrane.core.job.SettleLadder;
import codrane.core.job.SettleLadder.Rung;
import codrane.core.job.SettleLadder.Where;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.plan.Aids.Settling;
import codrane.core.power.Battery;
import codrane.core.power.Chemistry;
import codrane.core.power.PowerForecast;
import codrane.core.power.PowerForecast.Load;
import codrane.core.power.PowerForecast.SupportUnit;
import codrane.core.power.PowerWindow;
import codrane.core.tool.Check;
import codrane.core.vin.Vin;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Samples of what fragments show; made up, and of no vehicle. */
record GalleryView(
        Vin vin,
        Map<String, String> marks,
        List<Next> nexts,
        List<Button> buttons,
        Map<String, String> facts,
        List<CheckView> checks,
        MatrixView matrix,
        List<FaultRow> faults,
        LedgerView ledger,
        List<ChangeRow> changes,
        Pictures pictures) {
    /** A row of the table of faults. */
    record FaultRow(String module, String code, String title, String status, String cause, String next) {}

    /** A row of the table of changes. */
    record ChangeRow(String when, String module, String what, List<String> details, String by) {}

    record Pictures(
            PowerWindow window,
            ForecastPicture forecast,
            Score score,
            SupplyPicture measured,
            LineageView lineage,
            StairsPicture stairs,
            PairingPicture pairing) {}

    /** As a run's score. */
    record Score(List<Box> boxes, List<Bar> bars, List<Stretch> stretches, List<Tick> ticks) {}

    record Box(int x, int y, int width, String label, String name, boolean writes, Tasks tasks, boolean transfer) {}

    record Bar(int x, int y, int width) {}

    record Stretch(int x, int width, String label) {}

    record Tick(int x, String label) {}

    record Tasks(int first, int count) {}

    static GalleryView samples() {
        return new GalleryView(
                new Vin("0BKLR3A46MN004127"),
                someMarks(),
                Arrays.stream(Tone.values()).map(GalleryView::next).toList(),
                Arrays.stream(Look.values()).map(GalleryView::button).toList(),
                Map.of("Complaint", "The tail lift does not move, and the lamp beside its handset blinks twice"),
                List.of(
                        CheckView.of(Check.good("Driver", "Version 2.8, as the workshop uses.")),
                        CheckView.of(Check.ask("Cable", "Nobody looked yet.")),
                        CheckView.of(Check.problem("Firmware", "Version 1.0; 4.2 is wanted."))),
                someMatrix(),
                List.of(new FaultRow(
                        "Tail lift",
                        "C1029-08",
                        "Tilt sensor, bus signal",
                        "confirmed, lamp on",
                        "The platform is loaded.",
                        "Unload it, then read again.")),
                someLedger(),
                List.of(new ChangeRow(
                        "27 Nov 2026, 14:39", "Tail lift", "Platform", List.of("steel → aluminium"), "tech, job 2201")),
                somePictures());
    }

    private static Map<String, String> someMarks() {
        Map<String, String> marks = new LinkedHashMap<>();
        for (String mark : List.of("agrees", "differs", "silent", "not_asked", "hold", "written"))
            marks.put(mark, mark.replace('_', ' '));
        return marks;
    }

    private static Next next(Tone tone) {
        List<Button> buttons = tone == Tone.SETTLED || tone == Tone.WAITS
                ? List.of()
                : List.of(button(tone == Tone.WRITE ? Look.WRITES : Look.MAIN), button(Look.OTHER));
        String whose = tone == Tone.PERSON ? "lead" : "";
        String name = tone.name().toLowerCase(Locale.ROOT);
        return new Next(
                "What is to be done: " + name,
                "Why it is to be done, in one sentence or two.",
                "Safe to stop here.",
                name,
                buttons,
                whose);
    }

    private static Button button(Look look) {
        String label = look.name().toLowerCase(Locale.ROOT);
        return new Button(label, "/gallery", false, look, look == Look.WRITES, false);
    }

    private static MatrixView someMatrix() {
        List<MatrixView.Cell> cells = List.of(cell("differs"), cell("agrees"), cell("not_asked"), cell("silent"));
        return new MatrixView(
                "2 modules against the plate, those that differ first",
                List.of(
                        new MatrixView.Row("Tail lift", "67", true, cells, "2"),
                        new MatrixView.Row(
                                "Body",
                                "40",
                                false,
                                List.of(cell("agrees"), cell("agrees"), cell("agrees"), cell("agrees")),
                                "0")));
    }

    private static MatrixView.Cell cell(String mark) {
        return new MatrixView.Cell(mark, mark.replace('_', ' '));
    }

    private static LedgerView someLedger() {
        return new LedgerView(
                "Faults before and after",
                List.of(
                        new LedgerView.Row("Body", "U1301-00", "Tail lift missing", false, "agrees", "gone", ""),
                        new LedgerView.Row(
                                "Tail lift", "C1029-08", "Tilt sensor", true, "differs", "new", "Read it again.")));
    }

    private static Pictures somePictures() {
        PowerWindow window = PowerWindow.programming(14.8);
        List<Load> loads = List.of(new Load(600, 14), new Load(1200, 32));
        PowerForecast forecast = PowerForecast.of(
                new Battery(Chemistry.AGM, 92, 12.55, 6, 12), Optional.of(new SupportUnit(13.8, 90)), loads, window);
        Score score = new Score(
                List.of(
                        new Box(100, 26, 60, "Key on", "Key on, 3 s", false, new Tasks(0, 1), false),
                        new Box(170, 72, 120, "Erase", "Erase, 6 s", true, new Tasks(1, 1), false),
                        new Box(300, 118, 400, "Transfer", "Transfer, 20 s", true, new Tasks(2, 1), true)),
                List.of(new Bar(170, 103, 140), new Bar(312, 149, 200)),
                List.of(new Stretch(170, 530, "can pause, can’t stop, until verified")),
                List.of(new Tick(300, "10 s"), new Tick(500, "20 s"), new Tick(700, "30 s")));
        return new Pictures(
                window,
                ForecastPicture.of(forecast, window, List.of(), 30),
                score,
                measured(window),
                lineage(),
                StairsPicture.of(stairs()),
                new PairingPicture(
                        98,
                        new PairingPicture.Box(27, "Key reader", "knows 2 keys", ""),
                        List.of(
                                new PairingPicture.Box(1, "Engine", "paired", "looked"),
                                new PairingPicture.Box(53, "Body", "not paired", "writes dash")),
                        "Key reader knows 2 keys; engine: paired; body: not paired"));
    }

    private static SettleLadder stairs() {
        return new SettleLadder(List.of(
                new Rung(Settling.SLEEP, "Sleep", "nothing is lost", Where.SAID),
                new Rung(Settling.RELEARN, "Learn anew", "lost: what was learned before", Where.WANTED),
                new Rung(Settling.RESET, "Restart all modules", "nothing stored is lost", Where.NOT_PLANNED),
                new Rung(Settling.BATTERY_OFF, "Battery off", "lost: clock, window stops", Where.IF_NEEDED)));
    }

    private static LineageView lineage() {
        return new LineageView(
                "Software of the tail lift: 3.06, then 3.08 (in the module), then 3.12 (on the shelf, newest known).",
                List.of(
                        new LineageView.Stone("3.06", 60, false, false, false),
                        new LineageView.Stone("3.08", 210, false, true, false),
                        new LineageView.Stone("3.12", 360, true, false, true)),
                List.of(new LineageView.Way(60, 210), new LineageView.Way(210, 360)),
                List.of("The tail lift has 3.08; from it the newest that is known here is 3.12."));
    }

    private static SupplyPicture measured(PowerWindow window) {
        int top = River.y(window.upper());
        return new SupplyPicture(
                "Supply from 09:00 to 09:06",
                top,
                River.y(window.hold()) - top,
                window.hold(),
                window.upper(),
                List.of("100,45 400,47 520,52", "600,48 980,46"),
                List.of(180, 420, 700),
                "09:00",
                "09:06");
    }
}
