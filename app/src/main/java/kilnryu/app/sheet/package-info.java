/**
 * What is typed on a plan's pages: read with its units and remarks, kept as typed, saved by version so that two people
 * lose nothing to each other. One flat map of field paths to text serves the pages, the API and the plan document.
 */
package kilnryu.app.sheet;
