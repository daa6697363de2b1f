/** A load being planned: which molds stand where in which kiln, and the program they share. It knows no store of its own. */
package kilnryu.app.load;
