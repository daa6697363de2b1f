/**
 * Shells being built: the racks, what is ready to dip and what waits, one tap for a dip, the room's air, tanks and their
 * slurry, the calendar, dewax and what is found after it.
 */
package kilnryu.app.dipping;
