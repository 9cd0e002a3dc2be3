/** Statements of results: who put their initials to which award, what was issued on paper, and whether a paper is still as it was. */
@NullMarked
package palmtally.server.statement;

import org.jspecify.annotations.NullMarked;
