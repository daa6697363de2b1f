/** Investments that a studio mixes itself: designed by shares, tried, and compared by what came of it. */
package kilnryu.app.blend;
