/** What follows from the option codes with which a vehicle was ordered. */
package codrane.core.order;
