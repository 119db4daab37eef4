/** What a loudspeaker system does to each frequency, as it was measured. */
package codrane.core.response;
