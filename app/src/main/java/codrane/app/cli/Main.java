package codrane.app.cli;

import static java.util.Objects.requireNonNull;

import java.io.PrintStream;
import java.io.PrintWriter;
import java.util.List;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** Entry of the commands. Exit 0 good, 1 the check found something, 2 usage or I/O. */
@Command(
        name = "codrane",
        subcommands = {
            Main.Vin.class,
            Main.File.class,
            Main.Pack.class,
            Main.Baseline.class,
            Main.Part.class,
            Main.Run.class,
            Main.Coding.class,
            Main.Lines.class,
            Main.Order.class,
            Main.Features.class,
            Main.Scale.class,
            Main.Variant.class,
            Main.Keys.class,
            Main.Serial.class,
            Main.Audit.class,
            CrcCommand.class,
            PlanCommand.class,
            PowerCommand.class,
            PredictCommand.class,
            ShiftCommand.class,
            StandinCommand.class,
            TraceCommand.class,
            UdsCommand.class
        })
public final class Main {
    static final int GOOD = 0;
    static final int FOUND = 1;
    static final int USAGE = 2;

    private Main() {}

    @Command(name = "vin", subcommands = VinCommand.class)
    static final class Vin {}

    @Command(
            name = "file",
            subcommands = {FileCommand.class, FileConvertCommand.class, FileCheckCommand.class})
    static final class File {}

    @Command(name = "pack", subcommands = PackCommand.class)
    static final class Pack {}

    @Command(
            name = "baseline",
            subcommands = {BaselineVerifyCommand.class, BaselineDiffCommand.class})
    static final class Baseline {}

    @Command(
            name = "coding",
            subcommands = {CodingDecodeCommand.class, CodingEncodeCommand.class})
    static final class Coding {}

    @Command(name = "lines", subcommands = LinesCheckCommand.class)
    static final class Lines {}

    @Command(
            name = "order",
            subcommands = {OrderDeriveCommand.class, OrderChangeCommand.class})
    static final class Order {}

    @Command(name = "features", subcommands = FeaturesSolveCommand.class)
    static final class Features {}

    @Command(name = "scale", subcommands = ScaleTyreCommand.class)
    static final class Scale {}

    @Command(name = "variant", subcommands = VariantRankCommand.class)
    static final class Variant {}

    @Command(name = "keys", subcommands = KeysPlanCommand.class)
    static final class Keys {}

    @Command(name = "run", subcommands = RunSimulateCommand.class)
    static final class Run {}

    @Command(name = "part", subcommands = PartCommand.class)
    static final class Part {}

    @Command(name = "serial", subcommands = SerialCommand.class)
    static final class Serial {}

    @Command(name = "audit", subcommands = AuditCommand.class)
    static final class Audit {}

    public static void main(String[] args) {
        System.exit(run(List.of(args), System.out, System.err));
    }

    /** @return the exit code */
    static int run(List<String> args, PrintStream out, PrintStream err) {
        PrintWriter told = writer(out);
        PrintWriter wrong = writer(err);
        Output errors = new Output(told, wrong, args.contains("--json"));
        CommandLine line = new CommandLine(new Main());
        codes(line).setUnmatchedOptionsArePositionalParams(true);
        return line.setOut(told)
                .setErr(wrong)
                .setExpandAtFiles(false)
                .setParameterExceptionHandler((e, all) -> errors.error("usage", Misread.sentence(e, all), ""))
                .setExecutionExceptionHandler((e, of, parsed) -> Misread.failed(e, errors))
                .execute(args.toArray(String[]::new));
    }

    /** Codes that go out of an order begin as options do. */
    private static CommandLine codes(CommandLine line) {
        CommandLine order = requireNonNull(line.getSubcommands().get("order"));
        return requireNonNull(order.getSubcommands().get("change"));
    }

    private static PrintWriter writer(PrintStream stream) {
        return new PrintWriter(stream, true, stream.charset());
    }

    /** The words of a call are off. */
    static final class UsageException extends RuntimeException {
        UsageException(String message) {
            super(message);
        }
    }
}
