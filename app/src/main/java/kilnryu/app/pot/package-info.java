/** Pots of wax: what went in, new and recovered, what was taken, how warm and how full they are. */
package kilnryu.app.pot;
