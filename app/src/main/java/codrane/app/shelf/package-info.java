/** Calibrations: fetched from the makers' services, checked, kept by content. Read {@link codrane.app.shelf.Shelf} first. */
package codrane.app.shelf;
