package codrane.core.job;

import codrane.core.plan.Plan;
import java.time.Instant;

/** One version of a job's plan. */
public record PlanVersion(long id, int version, long scanId, Instant madeAt, String madeBy, Plan plan) {}
