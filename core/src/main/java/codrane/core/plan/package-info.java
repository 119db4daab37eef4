/**
 * The stages of a job, its hold points, and the plan that rules make from facts. Read {@link codrane.core.plan.Planner}
 * first.
 */
package codrane.core.plan;
