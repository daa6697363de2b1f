/** Ceramic shells on the mold's sheet: the studio's own recipes, reading, drawing in section. */
package kilnryu.app.shell;
