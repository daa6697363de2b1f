/** Wax on its way to a tree: slushed, injected, printed, carved; inspected and weighed in. */
package kilnryu.app.wax;
