/** The log of a firing: a file of a logger taken in, held against the program. */
package kilnryu.app.kilnlog;
