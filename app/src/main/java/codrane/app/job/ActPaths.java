package codrane.app.job;

import codrane.core.job.act.Deed;
import org.springframework.web.util.UriComponentsBuilder;

/** Addresses of acts: the name of the act below the job's own address, then its arguments. */
final class ActPaths {
    private ActPaths() {}

    static String of(long number, Deed deed) {
        UriComponentsBuilder path = UriComponentsBuilder.fromPath("/jobs").pathSegment(String.valueOf(number));
        switch (deed) {
            case Deed.Go(var stage) -> path.pathSegment(stage.key());
            case Deed.Visit(var page) -> path.pathSegment(page);
            case Deed.Keep(var point) -> path.pathSegment("hold", point.key());
            case Deed.Waive(var point) -> path.pathSegment("waive", point.key());
            case Deed.Do(var ask, var arguments) ->
                path.path("/" + ask.name()).pathSegment(arguments.toArray(String[]::new));
        }
        return path.build().encode().toUriString();
    }

    static boolean posts(Deed deed) {
        return !(deed instanceof Deed.Go || deed instanceof Deed.Visit);
    }
}
