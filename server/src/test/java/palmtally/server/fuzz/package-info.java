/** Requests and files that nobody means, many of them and always the same for one seed. */
package palmtally.server.fuzz;
