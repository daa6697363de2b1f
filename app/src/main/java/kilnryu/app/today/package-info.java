/**
 * The day: what burns, dries and waits in the next 48 hours, what someone has to do and by when, and where every mold in work
 * stands. Each part of the work says its own through {@link kilnryu.app.today.Day.Source}; this package puts it on one page.
 */
package kilnryu.app.today;
