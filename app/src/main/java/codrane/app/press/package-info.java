/** Presses of forms: each has a key that is used once, and the version of the job that its page showed. */
package codrane.app.press;
