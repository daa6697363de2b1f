/** The manual and the words of the trade, as pages. */
package kilnryu.app.help;
