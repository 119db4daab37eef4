package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.VehicleFacts;

/** One decision of the planner. */
interface Rule {
    /** Stable name, kept with the plan. */
    String id();

    /** @param draft what the rules before this one planned */
    Judgement judge(VehicleFacts facts, Draft draft);
}
