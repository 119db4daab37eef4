/** Whether an interface and the computer can be used today, and how a new one is made ready. Read {@link codrane.core.tool.ToolReadiness} first. */
package codrane.core.tool;
