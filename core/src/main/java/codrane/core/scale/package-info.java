/** Values that a module keeps as counts and people know in units. */
package codrane.core.scale;
