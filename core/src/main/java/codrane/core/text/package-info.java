/** Times, durations and sizes as people read them: formatted here and nowhere else. */
package codrane.core.text;
