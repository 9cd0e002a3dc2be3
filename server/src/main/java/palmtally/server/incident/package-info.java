/** Incidents: a safety stop asks for a record, seen by the lead, who wrote it and those named in it. */
@org.jspecify.annotations.NullMarked
package palmtally.server.incident;
