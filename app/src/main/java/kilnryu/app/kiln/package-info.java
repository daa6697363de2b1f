/** The studio's kilns and its own programs; and what the API asks of a mold, a kiln and a program. */
package kilnryu.app.kiln;
