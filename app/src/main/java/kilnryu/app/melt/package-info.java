/** Metal in store, the charge from it and the melt. */
package kilnryu.app.melt;
