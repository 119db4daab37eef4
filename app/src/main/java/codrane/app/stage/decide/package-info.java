/** The room of Decide: what is said for the plan, and the plan. */
package codrane.app.stage.decide;
