/** Reads a mold, a kiln and a program for the simulation of heat. */
package kilnryu.app.kiln;
