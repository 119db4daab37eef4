/** What is noted and photographed when a vehicle arrives. Read {@link codrane.app.intake.IntakeNotes} first. */
package codrane.app.intake;
