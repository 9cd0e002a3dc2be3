/** Incidents: what a safety stop asks to be written down, and what has to stand in it. */
@org.jspecify.annotations.NullMarked
package palmtally.core.incident;
