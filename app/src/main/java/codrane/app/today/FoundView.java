package codrane.app.today;

import codrane.app.job.Vehicles;
import codrane.core.job.Job;
import codrane.core.text.Words;
import java.util.List;

/**
 * What was found for what was typed.
 *
 * @param jobsTitle how many jobs; empty when none was found
 */
public record FoundView(String title, boolean nothing, String jobsTitle, List<Hit> jobs, List<Car> vehicles) {
    private static final int MOST = 20;

    public record Hit(long number, String title, String vehicle, String complaint) {}

    public record Car(String vin, String model, String grouped) {}

    static FoundView of(String typed, List<Job> jobs, List<Vehicles.Line> vehicles) {
        boolean nothing = jobs.isEmpty() && vehicles.isEmpty();
        return new FoundView(
                (nothing ? "Nothing is found for “" : "Found for “") + typed + "”",
                nothing,
                jobs.isEmpty() ? "" : jobs.size() == MOST ? "The newest 20 jobs" : Words.count(jobs.size(), "job"),
                jobs.stream().map(FoundView::hit).toList(),
                vehicles.stream()
                        .map(v -> new Car(v.vin().text(), v.model(), v.vin().grouped()))
                        .toList());
    }

    private static Hit hit(Job job) {
        return new Hit(
                job.number(),
                "Job " + job.number() + (job.closedAt().isPresent() ? ", closed" : ""),
                job.vehicle().brief(),
                job.complaint());
    }
}
