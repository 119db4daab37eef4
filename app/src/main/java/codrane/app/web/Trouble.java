package codrane.app.web;

/**
 * A page that says why there is no other.
 *
 * @param what was done or kept, and what to do
 * @param bare without the bar at the top, which needs the session, and that is in the database
 */
public record Trouble(String title, String what, boolean bare) {}
