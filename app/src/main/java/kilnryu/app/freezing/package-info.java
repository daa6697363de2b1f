/** The metal freezing in its mold, as it is asked and answered. */
package kilnryu.app.freezing;
