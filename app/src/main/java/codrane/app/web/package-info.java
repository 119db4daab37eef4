/** What holds for every page: errors, a database that is away, text that can't be kept. Read {@link codrane.app.web.ErrorPages} first. */
package codrane.app.web;
