/** How a vehicle sounds: measured responses of a job, compared. */
package codrane.app.sound;
