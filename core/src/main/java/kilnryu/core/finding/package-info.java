/**
 * Checks and what they found. Answers what stands against a plan, where, why and what to do; used by every stage.
 */
package kilnryu.core.finding;
