/** The vehicles of the workshop, and the life of one. */
package codrane.app.vehicle;
