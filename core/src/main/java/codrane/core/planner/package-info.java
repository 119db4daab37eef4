/**
 * The rules that make a plan from facts: one class a rule, each with a test that names its case. Read {@link
 * codrane.core.planner.Planner} first; {@link codrane.core.planner.PlanQuestions} asks for what is missing before.
 */
package codrane.core.planner;
