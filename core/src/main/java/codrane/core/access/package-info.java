/**
 * Rights to act on a vehicle: what an authority wants of a workshop, and who knows the keys of modules. Read
 * {@link codrane.core.access.AccessCheck} first.
 */
package codrane.core.access;
