/** A tree filled and frozen ahead: reckoned in its turn, kept with the state it belongs to, drawn, and changes of it tried. */
package kilnryu.app.foresight;
