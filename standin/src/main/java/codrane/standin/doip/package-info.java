/** A vehicle or an edge node as a DoIP entity. Read {@link codrane.standin.doip.DoipEntity} first. */
package codrane.standin.doip;
