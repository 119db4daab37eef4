/** The room of Intake: arrival, papers, keys, photos, and where the old module is. */
package codrane.app.stage.intake;
