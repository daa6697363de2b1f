/** The weigh-in of a finished tree at the bench, from a scale, with a guard against a slip of unit. */
package kilnryu.app.weighin;
