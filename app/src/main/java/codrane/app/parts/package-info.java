/** Modules that came out of vehicles: where they are, and what may become of them. */
@org.jspecify.annotations.NullMarked
package codrane.app.parts;
