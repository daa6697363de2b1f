/** Molds of silicate-bound sand: percent to grams, and the log of their hardening, freezing and drying. */
package kilnryu.app.sand;
