/** What all pages share: how figures are shown in a person's units, the frame round each page, errors in our look. */
package kilnryu.app.web;
