/** A form that is sent twice counts once: a tap repeated by an impatient finger, a slow line or a browser's reload. */
package kilnryu.app.once;
