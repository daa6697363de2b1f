/**
 * Firings: which molds share a kiln, where they stand in it, the program they share and what it does to each; then the
 * firing itself, followed by its controller, its people and its log.
 */
package kilnryu.app.load;
