/** How values are kept in columns: an id, an enum by its word, a document whole. */
@org.jspecify.annotations.NullMarked
package palmtally.server.column;
