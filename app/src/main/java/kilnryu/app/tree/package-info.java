/** The tree stage: reads what is typed of parts and alloy into the core's tree, and keeps the list of trees. */
package kilnryu.app.tree;
