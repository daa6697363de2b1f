/** Outside devices behind small interfaces, and their stand-ins. */
package kilnryu.app.device;
