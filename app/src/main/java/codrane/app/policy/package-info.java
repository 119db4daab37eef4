/** How this workshop decides, and its passes to makers' services. */
package codrane.app.policy;
