package codrane.app.web;

import codrane.app.baseline.Baselines.UnknownBaselineException;
import codrane.app.job.JobDesk.UnknownJobException;
import codrane.app.workshop.Uploaded;
import codrane.core.octets.Source;
import codrane.core.text.Words;
import java.io.UncheckedIOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.ServletRequestBindingException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Clear pages for what can't be shown. */
@ControllerAdvice
class ErrorPages {
    private static final Logger LOG = LoggerFactory.getLogger(ErrorPages.class);

    @ExceptionHandler(UnknownJobException.class)
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String unknownJob(UnknownJobException e, Model model) {
        return page(model, Words.said(e), "Look for it by number or by the end of its VIN.");
    }

    @ExceptionHandler(UnknownBaselineException.class)
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String unknownBaseline(UnknownBaselineException e, Model model) {
        return page(model, Words.said(e), "Look for it on its vehicle’s page.");
    }

    @ExceptionHandler({
        NoResourceFoundException.class,
        MethodArgumentTypeMismatchException.class,
        ResponseStatusException.class
    })
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String notHere(Model model) {
        return page(model, "There is no such page.", "Nothing was changed.");
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    @ResponseStatus(HttpStatus.CONTENT_TOO_LARGE)
    String tooLarge(MaxUploadSizeExceededException e, Model model) {
        String most = e.getMaxUploadSize() == Uploaded.LONGEST ? "32 MB" : "1 GB";
        return page(model, "The file is larger than " + most + ".", "It was not taken. Nothing was changed.");
    }

    @ExceptionHandler({
        MultipartException.class,
        ServletRequestBindingException.class,
        MissingServletRequestPartException.class
    })
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String incomplete(Model model) {
        return page(
                model,
                "The form arrived incomplete.",
                "Nothing was changed. Go back, load the page again and send it once more.");
    }

    @ExceptionHandler(TextThatCantBeKept.class)
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String text(TextThatCantBeKept e, Model model) {
        return page(model, "What was typed can't be kept.", e.getMessage() + " Nothing was changed.");
    }

    /** Two people at once, or a value out of its range: no fault of the database. */
    @ExceptionHandler(DataIntegrityViolationException.class)
    @ResponseStatus(HttpStatus.CONFLICT)
    String integrity(DataIntegrityViolationException e, Model model) {
        LOG.warn("refused by the database: {}", e.getMostSpecificCause().getMessage());
        return page(
                model,
                "This can't be kept as it is.",
                "It contradicts what is there, or somebody was first. Nothing was changed. Go back, load the page again and look.");
    }

    @ExceptionHandler(ConcurrencyFailureException.class)
    @ResponseStatus(HttpStatus.CONFLICT)
    String first(ConcurrencyFailureException e, Model model) {
        LOG.warn("two at once: {}", e.getMessage());
        return page(model, "Somebody was first.", "Nothing of yours was done. Go back, load the page again and look.");
    }

    @ExceptionHandler({DataAccessResourceFailureException.class, CannotCreateTransactionException.class})
    @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
    String database(Exception e, Model model) {
        LOG.warn("the database does not answer: {}", e.getMessage());
        String what = "What was done before is kept. Try again in a moment; ./codrane doctor says more.";
        return page(model, new Trouble("The database does not answer.", what, true));
    }

    /** A full disk most of all: files on their way lie there. */
    @ExceptionHandler({Source.UnreadableException.class, UncheckedIOException.class})
    @ResponseStatus(HttpStatus.INSUFFICIENT_STORAGE)
    String disk(RuntimeException e, Model model) {
        LOG.error("a file could not be kept or read", e);
        return page(
                model,
                "A file could not be kept or read on this computer's disk.",
                "It was not taken. Look whether the disk is full, then try again.");
    }

    /** A fault of Codrane's own. What it was doing was taken back. */
    @ExceptionHandler({IllegalArgumentException.class, IllegalStateException.class, DataAccessException.class})
    @ResponseStatus(HttpStatus.INTERNAL_SERVER_ERROR)
    String own(RuntimeException e, Model model) {
        LOG.error("failed in a way that was not expected", e);
        return page(
                model,
                "Codrane failed here.",
                "What was done before is kept; what was pressed just now was not done. The log says more.");
    }

    private static String page(Model model, String title, String what) {
        return page(model, new Trouble(title, what, false));
    }

    private static String page(Model model, Trouble trouble) {
        model.addAttribute("view", trouble);
        return "fragments/trouble";
    }
}
