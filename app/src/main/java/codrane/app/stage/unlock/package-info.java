/** The room of Unlock: what the authority wants, and the gateway. */
package codrane.app.stage.unlock;
