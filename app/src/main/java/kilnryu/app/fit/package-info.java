/** A tree held against the flasks of the studio: all drawn beside each other, one chosen, each other with its reason. */
package kilnryu.app.fit;
