package codrane.app.job;

import codrane.app.account.Routes;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.JobFrame.Button;
import codrane.app.job.JobFrame.Look;
import codrane.app.live.JobTasks;
import codrane.app.live.VitalsPublisher;
import codrane.core.job.Job;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.hold.HoldRules;
import codrane.core.job.stage.NextActs;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;

/** Makes the frame of a job's page for the one who looks. */
@Component
class FrameMaker {
    private final Interfaces interfaces;
    private final VitalsPublisher vitals;
    private final Pointers pointers;

    FrameMaker(Interfaces interfaces, VitalsPublisher vitals, Pointers pointers) {
        this.pointers = pointers;
        this.interfaces = interfaces;
        this.vitals = vitals;
    }

    JobFrame of(JobState state, Stage shown, Optional<JobTasks.Progress> task, Viewer viewer) {
        Job job = state.job();
        String subtitle = JobTitle.subject(state);
        JobFrame.Head head =
                new JobFrame.Head(job.number(), subtitle, state.pack().maker() + " " + job.model(), job.vin(), shown);
        return new JobFrame(
                head,
                JobFrame.rail(HoldRules.progress(state), shown),
                next(state, shown, viewer),
                JobFrame.Task.of(task),
                strip(state),
                pointers.of(job.id()).filter(p -> !p.who().equals(viewer.name())));
    }

    private Strip strip(JobState state) {
        Optional<BenchInterface> bench = interfaces.of(state.pack());
        return new Strip(
                vitals.json(bench.map(vitals::of).orElse(VitalsPublisher.Vitals.UNKNOWN)),
                bench.isPresent(),
                bench.map(BenchInterface::name).orElse("no interface"),
                state.window(),
                Strip.Gateway.of(state.access()),
                state.run()
                        .filter(JobRun::running)
                        .map(run -> run.taskIndex() + " " + run.committed())
                        .orElse(""));
    }

    private static JobFrame.Next next(JobState state, Stage shown, Viewer viewer) {
        NextAct next = NextActs.of(state, shown, viewer.name());
        long number = state.job().number();
        List<Button> buttons = next.acts().stream()
                .map(act -> button(number, act, next.tone()))
                .toList();
        String whose = buttons.isEmpty() || allowed(buttons.getFirst(), viewer)
                ? ""
                : Routes.whose(HttpMethod.POST, buttons.getFirst().href());
        return new JobFrame.Next(
                next.title(),
                next.why(),
                next.stop(),
                JobFrame.Next.css(next.tone()),
                buttons.stream().filter(b -> allowed(b, viewer)).toList(),
                whose);
    }

    private static Button button(long number, Act act, NextAct.Tone tone) {
        Look main = tone == NextAct.Tone.WRITE ? Look.WRITES : Look.MAIN;
        return new Button(
                act.label(),
                ActPaths.of(number, act.deed()),
                ActPaths.posts(act.deed()),
                act.primary() ? main : Look.OTHER,
                act.strong(),
                act.reason());
    }

    private static boolean allowed(Button button, Viewer viewer) {
        return !button.post() || Routes.allows(viewer.role(), HttpMethod.POST, button.href());
    }
}
