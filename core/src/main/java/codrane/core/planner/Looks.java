package codrane.core.planner;

import codrane.core.pack.PackModule;
import java.util.List;

/** What will look odd, said beforehand, as prompts of an operation. */
final class Looks {
    private Looks() {}

    /** While a module is written. */
    static List<String> whileWritten(PackModule module) {
        return sentence("Normal while it runs: ", module.traits().looks());
    }

    /** As long as a module is not coded. */
    static List<String> untilCoded(PackModule module) {
        return sentence("Until it is coded, expect this: ", module.traits().uncodedLooks());
    }

    private static List<String> sentence(String begin, List<String> looks) {
        return looks.isEmpty() ? List.of() : List.of(begin + String.join(", ", looks));
    }
}
