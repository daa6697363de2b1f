/** The firing stage: reads when to pour and by which school, and draws the program against the clock. */
package kilnryu.app.firing;
