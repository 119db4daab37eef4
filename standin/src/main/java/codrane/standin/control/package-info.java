/** The control port of a stand-in: meter, key, support unit, faults and a look inside. */
package codrane.standin.control;
