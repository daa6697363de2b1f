/** How a firing is started, runs and ends: its rows, what its controller reports, how it stands, what of it is kept. */
package kilnryu.app.run;
