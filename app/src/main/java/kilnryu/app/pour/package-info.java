/** The pour: the charge and the melt for it, its plan on a time line, its day at the bench and what is on record of it. */
package kilnryu.app.pour;
