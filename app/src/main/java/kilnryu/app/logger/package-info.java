/** Files of loggers, as they come: CSV with headings, in the units and the hand of whoever made the logger. */
package kilnryu.app.logger;
