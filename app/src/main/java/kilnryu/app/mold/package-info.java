/** The mold stage: reads the flask and its mix, and draws the section of the flask with the tree in it. */
package kilnryu.app.mold;
