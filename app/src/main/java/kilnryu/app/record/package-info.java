/**
 * What is frozen when work begins, as documents of their own: a kind, a version, what was planned with the constants in
 * force, and the figures as they were shown. They name nothing of the classes that reckon, so that those may change; older
 * versions are brought up by upgraders, and one that cannot be reckoned anew is still shown.
 */
package kilnryu.app.record;
