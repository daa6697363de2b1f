/** The demo studio: an invented estuary workshop with its trees, loaded on the first start. */
package kilnryu.app.demo;
