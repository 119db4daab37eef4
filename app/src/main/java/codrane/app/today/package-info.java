/** The board of today, and finding. */
package codrane.app.today;
