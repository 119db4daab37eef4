/** Files of any length as octets: read piece by piece, and as a place for what is too large for the heap. */
package codrane.link.file;
