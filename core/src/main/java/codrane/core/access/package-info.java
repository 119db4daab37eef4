/** Rights to act on a module or a vehicle. This slice holds only the simulated vehicles' own key computation. */
package codrane.core.access;
