/** Patterns that come from no mold: printed, carved, found; their coating of wax, and what an unknown material does in fire. */
package kilnryu.core.pattern;
