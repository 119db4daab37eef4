package codrane.app.cli;

import static java.util.Objects.requireNonNull;

import codrane.app.cli.Main.UsageException;
import codrane.core.text.Words;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.util.List;
import picocli.CommandLine.MissingParameterException;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.OverwrittenOptionException;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.UnmatchedArgumentException;

/** What was wrong with a call, in our own words and quoted short. */
final class Misread {
    private Misread() {}

    static String sentence(ParameterException e, String[] args) {
        boolean group = !e.getCommandLine().getSubcommands().isEmpty();
        if (group) return "unknown command: " + InputFile.quoted(String.join(" ", args));
        return switch (e) {
            case MissingParameterException missing ->
                missing(missing.getMissing().getFirst(), List.of(args));
            case UnmatchedArgumentException unmatched ->
                "not understood: " + InputFile.quoted(unmatched.getUnmatched().getFirst());
            case OverwrittenOptionException twice -> name(twice.getOverwritten()) + " is given twice";
            case ParameterException value
            when value.getArgSpec() != null ->
                name(value.getArgSpec()) + ": " + InputFile.quoted(value.getValue()) + " (" + expected(value) + ")";
            default -> "not understood: " + InputFile.quoted(Words.said(e));
        };
    }

    private static String missing(ArgSpec what, List<String> args) {
        return name(what) + (args.contains(name(what)) ? " needs a value" : " is missing");
    }

    private static String name(ArgSpec what) {
        return what instanceof OptionSpec option ? option.longestName() : what.paramLabel();
    }

    private static String expected(ParameterException e) {
        return e.getCause() == null ? "can't be read" : Words.said(e.getCause());
    }

    /** @return the exit code */
    static int failed(Exception e, Output errors) throws Exception {
        return switch (e) {
            case UsageException usage -> errors.error("usage", Words.said(usage), "");
            case IOException io -> errors.error("io", said(io), "");
            case UncheckedIOException io -> errors.error("io", said(requireNonNull(io.getCause())), "");
            default -> throw e;
        };
    }

    /** The library's own word for a file that is missing is its bare name. */
    private static String said(IOException e) {
        return switch (e) {
            case NoSuchFileException gone -> "there is no file " + gone.getFile();
            case AccessDeniedException denied -> denied.getFile() + " may not be read or written";
            case FileSystemException other ->
                other.getFile() + ": " + (other.getReason() == null ? "can't be used" : other.getReason());
            case BindException taken -> "a port is taken, or may not be opened: " + taken.getMessage();
            default -> e.getMessage() == null ? e.toString() : e.getMessage();
        };
    }
}
