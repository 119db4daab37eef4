package codrane.app.newjob;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;

/** What is typed for a new job. */
public record NewJobForm(
        @Size(max = 40) String vin,

        @NotBlank(message = "Say what the customer complains about.")
        @Size(max = 400, message = "At most 400 characters.")
        String complaint,

        String kind,
        String replaced,
        String origin) {
    static NewJobForm empty() {
        return new NewJobForm("", "", "", "", "");
    }
}
