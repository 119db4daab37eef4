/** Vehicle packs and market rules of this computer. */
package codrane.app.packs;
