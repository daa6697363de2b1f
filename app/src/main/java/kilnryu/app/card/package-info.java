/** The bench card: a plan on one printed page, on screen and as PDF. */
package kilnryu.app.card;
