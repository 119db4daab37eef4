package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.part.Version;
import codrane.core.plan.Aids.Content;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** The operation that programs one module. */
final class ProgramModule {
    private ProgramModule() {}

    /** @param module with a flash memory that the pack describes */
    static Operation of(VehicleFacts facts, PackModule module, String title, String reason) {
        Operation program = Operation.of(
                        Kind.PROGRAM,
                        module.id(),
                        title,
                        ProgrammingSeconds.of(facts.pack(), module.flash().orElseThrow()),
                        reason)
                .needing("calibration for its hardware", "supply at programming voltage")
                .holding(HoldPoint.FILE_CHECKED, HoldPoint.POWER_READY)
                .prompting(conditions(module.flash().orElseThrow().before()))
                .prompting(Looks.whileWritten(module))
                .notStoppable();
        String has = facts.answer(module.id()).software();
        String target = facts.target(module);
        if (isOlder(target, has))
            program = program.because("It has " + has + ": " + target + " is older, a downgrade, and the lead's.")
                    .holding(HoldPoint.LEAD_APPROVED);
        boolean altered = facts.aids().content() == Content.ALTERED
                && facts.module().filter(m -> m.id().equals(module.id())).isPresent()
                && facts.kind() != JobKind.RESTORE_SOFTWARE;
        return altered
                ? program.because("What is in it was altered: its verification number is none of the maker's.")
                : program;
    }

    /** What is brought about before it, and what is done about that afterwards. */
    private static List<String> conditions(PackModule.Before before) {
        List<String> prompts = new ArrayList<>();
        String more = before.needs().stream().map(c -> ", " + c.words()).collect(Collectors.joining());
        prompts.add("Key on, engine off" + more);
        if (!before.how().isEmpty()) prompts.add(before.how());
        if (!before.after().isEmpty()) prompts.add("When the run is done: " + before.after());
        return prompts;
    }

    /** Whether a version is older than another; what is no version tells nothing. */
    static boolean isOlder(String version, String than) {
        return !than.isEmpty() && Version.parse(version).compareTo(Version.parse(than)) < 0;
    }

    /** Whether a module has software that nobody knows yet, and nobody said that it is right. */
    static boolean newerThanKnown(VehicleFacts facts, PackModule module) {
        return isOlder(module.software().current(), facts.answer(module.id()).software())
                && !facts.aids().said().newerRight().contains(module.id());
    }

    static String newer(VehicleFacts facts, PackModule module) {
        return module.title() + " has software " + facts.answer(module.id()).software()
                + ", newer than any that is known (" + module.software().current() + ")";
    }
}
