/** The room of Prepare: files, sheets, letters and whatever else the plan needs. */
package codrane.app.stage.prepare;
