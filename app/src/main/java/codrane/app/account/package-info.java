/** Who may do what. Read {@link codrane.app.account.Routes} first. */
package codrane.app.account;
