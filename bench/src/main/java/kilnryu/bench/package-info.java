/** Measurements: the core by JMH, the pages by a load program. Never part of the tests. */
package kilnryu.bench;
