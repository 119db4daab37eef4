package codrane.app.stage.run;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.live.JobTasks;
import codrane.app.live.RunOrder;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.coding.Layout;
import codrane.core.job.JobState;
import codrane.core.job.release.Release;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.Rehearser;
import codrane.core.run.Rehearser.Rehearsed;
import codrane.core.run.RunTask;
import codrane.core.scan.ModuleReading;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** Carries a plan out on a twin of the vehicle first. Nothing is sent to anybody; what came of it is kept with the plan. */
@Component
class RehearsalActs {
    private final Acts acts;
    private final RunOrders orders;
    private final JobTasks background;
    private final Notes notes;
    private final AuditTrail audit;

    RehearsalActs(Acts acts, RunOrders orders, JobTasks background, Notes notes, AuditTrail audit) {
        this.acts = acts;
        this.orders = orders;
        this.background = background;
        this.notes = notes;
        this.audit = audit;
    }

    Acted rehearse(long number, String who) {
        return acts.on(number, who, Release.REHEARSE, state -> switch (orders.build(state, who)) {
            case RunOrders.Built.Missing(String sentence) -> Acted.refused(sentence);
            case RunOrders.Built.Order(var order) -> {
                Optional<Acted> busy = acts.busy(number);
                if (busy.isPresent()) yield busy.get();
                background.begin(number, "Rehearsing on a twin", teller -> keep(state, order, who));
                yield Acted.done();
            }
        });
    }

    private void keep(JobState state, RunOrder order, String who) {
        Rehearser rehearser = ServiceLoader.load(Rehearser.class, Rehearser.class.getClassLoader())
                .findFirst()
                .orElseThrow(() -> new JobTasks.TaskFailedException(
                        "This installation has no simulated vehicles: nothing can be rehearsed here."));
        List<RunTask> tasks =
                order.tasks().stream().filter(rehearser::rehearsable).toList();
        if (tasks.isEmpty())
            throw new JobTasks.TaskFailedException(
                    "Nothing of this plan can be rehearsed: all of it takes the vehicle's code.");
        Rehearsed ended = rehearser.rehearse(state.pack(), state.job().vin(), order.before(), tasks, order.image());
        RehearsalStored stored = new RehearsalStored(
                order.subject().planId(),
                ended.well(),
                ended.sentence(),
                ended.nextStep(),
                ended.prompts(),
                IntStream.range(0, ended.taskSeconds().size())
                        .mapToObj(i -> new RehearsalStored.Task(
                                tasks.get(i).title(), ended.taskSeconds().get(i)))
                        .toList(),
                order.tasks().stream()
                        .filter(task -> !rehearser.rehearsable(task))
                        .map(RunTask::title)
                        .toList(),
                changes(state.pack(), ended));
        acts.keep(state.job().number(), who, Release.REHEARSE.said(), now -> {
            notes.put(now.job().id(), RehearsalStored.KIND, stored, who);
            audit.record(who, "rehearsed the plan", "job " + now.job().number(), ended.sentence());
            return Acted.done();
        });
    }

    /** Of every module, so that what nobody planned is seen, too. */
    private static List<String> changes(Pack pack, Rehearsed ended) {
        List<String> changes = new ArrayList<>();
        for (PackModule module : pack.modules().values()) {
            ModuleReading before = ended.before().getOrDefault(module.id(), ModuleReading.silent(module.id()));
            ModuleReading after = ended.after().getOrDefault(module.id(), ModuleReading.silent(module.id()));
            for (Ident ident : List.of(Ident.VIN, Ident.SOFTWARE)) {
                String was = held(before, ident);
                String is = held(after, ident);
                if (!was.equals(is)) changes.add(module.title() + ": " + ident.title() + " " + was + " → " + is);
            }
            for (Layout layout : pack.blocksOf(module)) {
                int bits = bits(
                        before.coding().getOrDefault(layout.id(), Bytes.EMPTY),
                        after.coding().getOrDefault(layout.id(), Bytes.EMPTY));
                if (bits > 0) changes.add(module.title() + ", " + layout.title() + ": " + Words.count(bits, "bit"));
            }
        }
        return changes;
    }

    private static String held(ModuleReading reading, Ident ident) {
        return reading.octets(ident)
                .filter(octets -> !octets.allAre(0xFF))
                .map(octets -> octets.text().strip())
                .orElse("none");
    }

    private static int bits(Bytes before, Bytes after) {
        int bits = 8 * Math.abs(before.length() - after.length());
        for (int i = 0; i < Math.min(before.length(), after.length()); i++)
            bits += Integer.bitCount(before.u8(i) ^ after.u8(i));
        return bits;
    }
}
