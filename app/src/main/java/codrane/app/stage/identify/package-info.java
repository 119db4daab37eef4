/** The room of Identify: scans, faults, and signs of what others did. */
package codrane.app.stage.identify;
