/** The pages of firings: their list, a load being planned, what if something were otherwise. */
package kilnryu.app.firings;
