@org.jspecify.annotations.NullMarked
package codrane.core.job;
