/**
 * Rights to act on a vehicle: what an authority wants of a workshop, and the simulated vehicles' own key computation. Read
 * {@link codrane.core.access.AccessCheck} first.
 */
package codrane.core.access;
