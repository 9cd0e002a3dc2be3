/** Stand-ins for what is connected from outside: separate programs that speak the documented interfaces and nothing else. */
@org.jspecify.annotations.NullMarked
package palmtally.devices;
