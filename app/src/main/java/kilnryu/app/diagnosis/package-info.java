/** Why a casting came out as it did: what is on record put before the table of causes, and the studio's own part of that table. */
package kilnryu.app.diagnosis;
