/** This workshop's settings, its clock and its zone. */
package codrane.app.workshop;
