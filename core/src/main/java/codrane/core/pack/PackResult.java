package codrane.core.pack;

import java.util.List;

/** What loading a pack gave. */
public sealed interface PackResult {
    record Loaded(Pack pack) implements PackResult {}

    record Invalid(List<PackProblem> problems) implements PackResult {
        public Invalid {
            problems = List.copyOf(problems);
        }
    }
}
