package codrane.app.cli;

import java.util.concurrent.Callable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** A command: it tells its result as text, or as JSON when that is asked for. {@link #call} returns the exit code. */
abstract class Asked implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(names = "--json", description = "the result as JSON")
    private boolean json;

    @Option(
            names = {"-h", "--help"},
            usageHelp = true,
            description = "this")
    @SuppressWarnings("unused") // picocli prints the usage itself
    private boolean help;

    final CommandSpec spec() {
        return spec;
    }

    final Output output() {
        return new Output(spec.commandLine().getOut(), spec.commandLine().getErr(), json);
    }
}
