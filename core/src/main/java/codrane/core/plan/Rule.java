package codrane.core.plan;

/** One decision of the planner. */
interface Rule {
    /** Stable name, kept with the plan. */
    String id();

    Judgement judge(VehicleFacts facts);
}
