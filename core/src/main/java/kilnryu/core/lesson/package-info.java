/** A casting made in a class: work in sessions, waiting between them. */
package kilnryu.core.lesson;
