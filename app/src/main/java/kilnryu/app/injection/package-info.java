/** Wax injected in a round of molds: planned, run with clocks, its rejects counted. */
package kilnryu.app.injection;
