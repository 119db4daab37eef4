/** What is noted and photographed when a vehicle arrives. Read {@link codrane.core.job.IntakeNotes} first. */
package codrane.app.intake;
