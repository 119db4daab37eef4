package codrane.app.tools;

import codrane.core.tool.ToolStep;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what was noted about interfaces. */
@Component
@Transactional
class ToolStore {
    private final ToolRepository tools;

    ToolStore(ToolRepository tools) {
        this.tools = tools;
    }

    /** @param setupBegunAt when making it ready was begun; empty when it never was */
    record Noted(
            Optional<LocalDate> licenceUntil,
            Optional<Instant> answeredAt,
            Optional<Instant> setupBegunAt,
            String setupBy) {
        static final Noted NOTHING = new Noted(Optional.empty(), Optional.empty(), Optional.empty(), "");
    }

    private ToolEntity tool(String name) {
        return tools.findById(name).orElseGet(() -> {
            ToolEntity tool = new ToolEntity();
            tool.name = name;
            return tools.save(tool);
        });
    }

    void licence(String name, LocalDate until) {
        tool(name).licenceUntil = until;
    }

    void answered(String name, Instant at) {
        tool(name).answeredAt = at;
    }

    /** Begins anew: nothing of an earlier setup counts. */
    void begin(String name, Instant at, String who) {
        ToolEntity tool = tool(name);
        tool.setupBegunAt = at;
        tool.setupBy = who;
        tool.licenceUntil = null;
        tool.steps.clear();
    }

    void step(String name, ToolStep step, Instant at, String who) {
        tool(name).steps.computeIfAbsent(step.key(), key -> {
            ToolStepDone done = new ToolStepDone();
            done.at = at;
            done.who = who;
            return done;
        });
    }

    @Transactional(readOnly = true)
    Noted noted(String name) {
        return tools.findById(name)
                .map(t -> new Noted(
                        Optional.ofNullable(t.licenceUntil),
                        Optional.ofNullable(t.answeredAt),
                        Optional.ofNullable(t.setupBegunAt),
                        Optional.ofNullable(t.setupBy).orElse("")))
                .orElse(Noted.NOTHING);
    }

    @Transactional(readOnly = true)
    Set<ToolStep> steps(String name) {
        Set<ToolStep> steps = EnumSet.noneOf(ToolStep.class);
        tools.findById(name)
                .ifPresent(tool -> Arrays.stream(ToolStep.values())
                        .filter(s -> tool.steps.containsKey(s.key()))
                        .forEach(steps::add));
        return steps;
    }
}
