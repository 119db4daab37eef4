/** Equipment that is wanted together: what is to be set, or what stands against it. */
package codrane.core.feature;
