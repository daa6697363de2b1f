/** The compute API: the same sums as the pages, stateless, as JSON; its contract is the shared one. */
package kilnryu.app.api;
