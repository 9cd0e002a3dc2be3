/** How long the things take that somebody waits for. */
package palmtally.bench;
