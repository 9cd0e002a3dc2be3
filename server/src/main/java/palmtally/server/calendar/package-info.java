/** What a term teaches when, kept as versions and checked as it is planned. */
@org.jspecify.annotations.NullMarked
package palmtally.server.calendar;
