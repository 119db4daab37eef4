/** Codes for a camera, drawn. */
package codrane.app.squares;
