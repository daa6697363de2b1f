/** Tags for molds: a code that opens the mold's page, what is in it, which way up; on a sheet or single, print or PDF. */
package kilnryu.app.label;
