/**
 * The stages of a job, its hold points, and the plan that rules make from facts. Read {@link codrane.core.planner.Planner}
 * first.
 */
package codrane.core.plan;
