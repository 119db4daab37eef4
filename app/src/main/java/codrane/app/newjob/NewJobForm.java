package codrane.app.newjob;

import codrane.core.job.WantedForm;
import codrane.core.plan.WorkAsked;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;

/** What is typed for a new job. */
public record NewJobForm(
        @Size(max = 40) String vin,

        @NotBlank(message = "Say what the customer complains about.")
        @Size(max = 400, message = "At most 400 characters.")
        String complaint,

        String kind,
        String replaced,
        String origin) {
    WantedForm wanted() {
        return new WantedForm(text(complaint), text(kind), text(replaced), text(origin));
    }

    private static String text(@Nullable String typed) {
        return typed == null ? "" : typed;
    }

    /** As the plain questions mean it: a replaced part's kind follows from what the part is. */
    NewJobForm plainly() {
        boolean part = text(kind).equals(WorkAsked.PART.value());
        return part ? new NewJobForm(vin, complaint, WorkAsked.PART_OF_ANY_KIND, replaced, origin) : this;
    }

    /** @param kind empty when it is not chosen yet */
    static NewJobForm of(String vin, String kind) {
        return new NewJobForm(vin, "", kind, "", "");
    }
}
