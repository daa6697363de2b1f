/** The log: what all castings of a studio taught it, as yields, factors, scores of forecasts, and notes from elsewhere. */
package kilnryu.app.learning;
