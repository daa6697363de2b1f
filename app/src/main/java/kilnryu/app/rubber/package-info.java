/** Molds of rubber: what they take, how they are built coat by coat, how often they are pulled. */
package kilnryu.app.rubber;
