package codrane.app.access;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.service.annotation.GetExchange;
import org.springframework.web.service.annotation.HttpExchange;
import org.springframework.web.service.annotation.PostExchange;

/** What a maker's authority can be asked. */
@HttpExchange("/authority/{authority}")
interface AuthorityRequests {
    @GetExchange
    Counter counter(@PathVariable String authority);

    @GetExchange("/workshops/{workshop}")
    Account account(@PathVariable String authority, @PathVariable String workshop);

    @PostExchange("/workshops")
    Done register(@PathVariable String authority, @RequestParam Map<String, String> given);

    @PostExchange("/workshops/{workshop}/{counter}")
    Done act(
            @PathVariable String authority,
            @PathVariable String workshop,
            @PathVariable String counter,
            @RequestParam Map<String, String> given);

    /** A plan that can be taken. */
    record PlanOffer(String id, String title, int tools, int crowns) {}

    /** How an authority introduces itself. */
    record Counter(String title, @Nullable List<PlanOffer> plans) {}

    /** A workshop as the authority knows it; what is absent is not there yet. */
    record Account(
            boolean mailConfirmed,
            @Nullable String planTitle,
            @Nullable Instant planUntil,
            @Nullable Integer toolLimit,
            @Nullable Instant checkedAt,
            @Nullable List<String> technicians,
            @Nullable Map<String, String> tools) {}

    /** @param grant hex, when one was asked for */
    record Done(@Nullable String grant) {}

    /** Why something is refused. */
    record Refused(@Nullable String message) {}
}
