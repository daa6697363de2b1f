/** The studio's factors: constants of the handbook with what the studio put in their place and why. */
package kilnryu.app.factor;
