package codrane.app.cli;

import codrane.core.plan.JobKind;
import codrane.standin.Conditions;
import java.io.IOException;
import java.net.URI;
import java.time.Duration;
import java.util.function.BooleanSupplier;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/**
 * {@code shift}: works on some jobs of a fresh demo, by the same pages and forms as people, so that Today shows a day in
 * the middle: two vehicles are read and closed, one part waits for its file, one job for the lead, and one run was cut.
 */
@Command(name = "shift", description = "Works on some jobs of a fresh demo, as people would.")
final class ShiftCommand extends Asked {
    private static final Duration LONGEST = Duration.ofSeconds(60);
    private static final int LOOK_MILLIS = 150;
    /** The body's transfer has come so far, then the cable is out. */
    private static final long CUT_AT = 0x42000;

    @Option(names = "--url", required = true, description = "of the pages")
    private URI pages;

    @Option(names = "--can-control", required = true, description = "of the vehicles on CAN")
    private URI can;

    @Option(names = "--doip-control", required = true, description = "of the vehicles on DoIP")
    private URI doip;

    @Override
    public Integer call() throws IOException {
        DemoVisitor tech = DemoVisitor.signIn(pages, "tech");
        readAndClose(tech, Conditions.WISP.text());
        plug(doip, Conditions.GANNET.text());
        readAndClose(tech, Conditions.GANNET.text());
        cutRun(tech);
        waitForFile(tech, DemoVisitor.signIn(pages, "lead"));
        waitForLead(tech);
        plug(doip, Conditions.WISP.text());
        plug(can, Conditions.LORNE.text());
        output().line("Today shows a day in the middle.");
        return Main.GOOD;
    }

    private static void readAndClose(DemoVisitor tech, String vin) throws IOException {
        DemoVisitor.Job job = tech.job(vin, JobKind.BASELINE_ONLY);
        job.act("hold/consent");
        scan(job);
        store(job);
        job.act("close");
    }

    /** The body of the second Lorne: the cable is pulled in the middle of its transfer. */
    private void cutRun(DemoVisitor tech) throws IOException {
        plug(can, "0BKLR3A4XNN008893");
        DemoVisitor.Job job = tech.job("0BKLR3A4XNN008893", JobKind.RESTORE_SOFTWARE);
        planned(job);
        job.act("hold/plan-agreed");
        job.act("calibration", "id", "BOD-331-B");
        await("the file is here", () -> !job.busy());
        job.release();
        await("the transfer is under way", this::farEnough);
        HttpCalls.post(can, "/cut");
        await("the run is interrupted", () -> !job.running());
    }

    private boolean farEnough() {
        JsonNode module = HttpCalls.get(can, "/look").path("modules").path("body");
        return module.path("bootOnly").asBoolean() && module.path("flashNext").asLong() > CUT_AT;
    }

    private void waitForFile(DemoVisitor tech, DemoVisitor lead) throws IOException {
        plug(can, "0PGDN4B2ZHC013402");
        DemoVisitor.Job job = tech.job("0PGDN4B2ZHC013402", JobKind.REPLACE_LICENSED);
        job.act("old-module/out");
        planned(job);
        lead.job("0PGDN4B2ZHC013402", JobKind.REPLACE_LICENSED).act("hold/lead-approved");
        job.act("hold/plan-agreed");
        job.act("letters/draft/steering");
        job.act("letters/sent/steering");
    }

    /** Only a lead adds a technician at the authority. */
    private void waitForLead(DemoVisitor tech) throws IOException {
        plug(can, "0BKAM7D2XRN002217");
        DemoVisitor.Job job = tech.job("0BKAM7D2XRN002217", JobKind.CHANGE_LINE);
        job.act("hold/consent");
        scan(job);
        job.act("waive/identity-settled", "why", "the radar is new, and a job of its own");
        job.look("unlock");
        await("the authority has told", () -> !job.asks("unlock"));
    }

    private static void planned(DemoVisitor.Job job) throws IOException {
        job.act("hold/consent");
        scan(job);
        if (!job.offers("baseline")) job.act("waive/identity-settled", "why", "as the customer says");
        store(job);
        job.act("plan");
    }

    private static void scan(DemoVisitor.Job job) throws IOException {
        if (job.tried("bench").isPresent()) job.act("bench"); // the cable was moved since the link was opened
        for (String variant : job.values("now", "variant").stream().limit(1).toList())
            job.act("variant", "variant", variant);
        job.act("scan");
        await("the scan is there", () -> !job.busy());
    }

    private static void store(DemoVisitor.Job job) throws IOException {
        job.act("baseline");
        await("the baseline is there", () -> !job.busy());
    }

    private static void plug(URI control, String vin) {
        HttpCalls.post(control, "/plug/" + vin);
    }

    private static void await(String what, BooleanSupplier condition) throws IOException {
        long end = System.nanoTime() + LONGEST.toNanos();
        while (!condition.getAsBoolean()) {
            if (System.nanoTime() > end) throw new IOException("within a minute it did not come so far that " + what);
            try {
                Thread.sleep(LOOK_MILLIS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IOException("interrupted", e);
            }
        }
    }
}
