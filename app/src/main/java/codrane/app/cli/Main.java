package codrane.app.cli;

import java.io.PrintStream;
import java.util.List;

/** Entry of the commands. Exit 0 good, 1 the check found something, 2 usage or I/O. */
public final class Main {
    static final int GOOD = 0;
    static final int FOUND = 1;
    static final int USAGE = 2;

    private Main() {}

    public static void main(String[] args) {
        System.exit(run(List.of(args), System.out, System.err));
    }

    /** @return the exit code */
    static int run(List<String> args, PrintStream out, PrintStream err) {
        Arguments arguments = new Arguments(args);
        Output output = new Output(out, err, arguments.flag("--json"));
        try {
            String command = String.join(" ", arguments.words(2));
            return switch (command) {
                case "vin check" -> VinCommand.check(arguments, output);
                case "file info" -> FileCommand.info(arguments, output);
                case "audit verify" -> AuditCommand.verify(arguments, output);
                case "pack check" -> PackCommand.check(arguments, output);
                case "baseline verify" -> BaselineCommand.verify(arguments, output);
                case "baseline diff" -> BaselineCommand.diff(arguments, output);
                case "part check" -> PartCommand.check(arguments, output);
                case "serial check" -> SerialCommand.check(arguments, output);
                default -> {
                    if (command.startsWith("standin")) yield StandinCommand.run(arguments, output);
                    if (command.startsWith("trace")) yield TraceCommand.run(arguments, output);
                    if (command.startsWith("uds")) yield UdsCommand.run(arguments, output);
                    if (command.startsWith("power")) yield PowerCommand.run(arguments, output);
                    if (arguments.words(1).equals(List.of("plan"))) yield PlanCommand.run(arguments, output);
                    if (command.startsWith("predict")) yield PredictCommand.run(arguments, output);
                    throw new UsageException("unknown command: " + InputFile.quoted(String.join(" ", args)));
                }
            };
        } catch (UsageException e) {
            return output.error("usage", e.getMessage(), "");
        } catch (java.io.IOException | java.io.UncheckedIOException e) {
            return output.error("io", said(e), "");
        }
    }

    /** The library's own word for a file that is missing is its bare name. */
    private static String said(Exception e) {
        Throwable cause = e instanceof java.io.UncheckedIOException unchecked ? unchecked.getCause() : e;
        return switch (cause) {
            case java.nio.file.NoSuchFileException gone -> "there is no file " + gone.getFile();
            case java.nio.file.AccessDeniedException denied -> denied.getFile() + " may not be read or written";
            case java.nio.file.FileSystemException other ->
                other.getFile() + ": " + (other.getReason() == null ? "can't be used" : other.getReason());
            case java.net.BindException taken -> "a port is taken, or may not be opened: " + taken.getMessage();
            default -> cause.getMessage() == null ? cause.toString() : cause.getMessage();
        };
    }

    /** The words of a call are off. */
    static final class UsageException extends RuntimeException {
        UsageException(String message) {
            super(message);
        }
    }
}
