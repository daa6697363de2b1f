/**
 * Schools: consistent ways of working. Those of the core are named and explained here; a studio copies one, names it,
 * changes its rules, and trees are planned by it.
 */
package kilnryu.app.school;
