/** Rod from wax and wax from rod, asked on a page of its own. */
package kilnryu.app.stock;
