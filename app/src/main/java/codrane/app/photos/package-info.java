/** Photos of a job: taken at Intake, and beside what is typed from one. */
@org.jspecify.annotations.NullMarked
package codrane.app.photos;
