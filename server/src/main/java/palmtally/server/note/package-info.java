/** What the bodies of partners must be spared, and who may know it. */
@org.jspecify.annotations.NullMarked
package palmtally.server.note;
