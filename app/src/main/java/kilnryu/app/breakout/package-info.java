/**
 * The wash bench: how a poured mold cools and is taken out, each casting of its tree looked at, weighed and measured, and what
 * follows for the next one.
 */
package kilnryu.app.breakout;
