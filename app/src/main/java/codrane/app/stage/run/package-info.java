/** The room of Run: release, recovery, the picture and the trace. */
package codrane.app.stage.run;
