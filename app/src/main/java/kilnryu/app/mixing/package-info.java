/**
 * Mixing at the bench: the plan frozen when work starts, one step at a time, clocks that are instants on the server,
 * and what happened beside what was planned.
 */
package kilnryu.app.mixing;
