/**
 * Coding blocks: their layouts, fields, checks and line sheets. Bit numbering: bit 7 of octet 0 is position 0, most
 * significant first. Read {@link codrane.core.coding.Layout} first.
 */
package codrane.core.coding;
