/** Second looks: a student asks, within the school's days and with a reason; the lead decides; both are kept and shown. */
@org.jspecify.annotations.NullMarked
package palmtally.server.secondlook;
