/** What the studio can hold, heat, melt and lift, as it was typed. */
package kilnryu.app.equipment;
