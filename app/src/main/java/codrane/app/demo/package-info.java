/** The demo world, and the next room with its simulated vehicles. */
package codrane.app.demo;
