/** Every fragment in every state on one page, for who changes how pages look; only where it is switched on. */
package codrane.app.gallery;
