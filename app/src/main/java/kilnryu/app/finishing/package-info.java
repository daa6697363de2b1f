/** After the break-out: cutting, blasting, welding, chasing, patina, each with its hours and hands, until a piece is signed off. */
package kilnryu.app.finishing;
