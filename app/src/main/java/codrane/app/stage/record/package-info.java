/** The room of Record: the report, and the end of the job. */
package codrane.app.stage.record;
