/** Part numbers and software versions. Read {@link codrane.core.part.PartNumber} first. */
package codrane.core.part;
