/** Simulated vehicles and maker services in a process of their own. Read {@link codrane.standin.StandinWorld} first. */
package codrane.standin;
