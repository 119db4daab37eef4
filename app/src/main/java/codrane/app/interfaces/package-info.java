/** The interfaces plugged into this computer, and the computer itself. */
package codrane.app.interfaces;
