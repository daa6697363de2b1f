/**
 * A tree's whole plan, tree, mold and firing, from what is typed of the three: its pages, its list, and the plan
 * document that carries it elsewhere.
 */
package kilnryu.app.plan;
