package codrane.app;

import codrane.app.baseline.Baselines.UnknownBaselineException;
import codrane.app.job.JobDesk.UnknownJobException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
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
        return page(model, e.getMessage(), "Look for it by number or by the end of its VIN.");
    }

    @ExceptionHandler(UnknownBaselineException.class)
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String unknownBaseline(UnknownBaselineException e, Model model) {
        return page(model, e.getMessage(), "Look for it on its vehicle’s page.");
    }

    @ExceptionHandler({
        NoResourceFoundException.class,
        MethodArgumentTypeMismatchException.class,
        ResponseStatusException.class,
        IllegalArgumentException.class
    })
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String notHere(Model model) {
        return page(model, "There is no such page.", "Nothing was changed.");
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    @ResponseStatus(HttpStatus.CONTENT_TOO_LARGE)
    String tooLarge(Model model) {
        return page(model, "The file is larger than 32 MB.", "It was not taken. Nothing was changed.");
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

    @ExceptionHandler(DataAccessException.class)
    @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
    String database(DataAccessException e, Model model) {
        LOG.error("the database failed", e);
        model.addAttribute("bare", true); // the bar at the top needs the session, and that is in the database
        return page(
                model,
                "The database does not answer.",
                "What was done before is kept. Try again in a moment; ./codrane doctor says more.");
    }

    private static String page(Model model, String title, String what) {
        model.addAttribute("title", title);
        model.addAttribute("what", what);
        return "fragments/trouble";
    }
}
