/** The room of Baseline: everything readable is stored. */
package codrane.app.stage.baseline;
