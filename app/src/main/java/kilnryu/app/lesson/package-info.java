/** A tree's way set into the sessions of a class. */
package kilnryu.app.lesson;
