/**
 * Pieces before they are on a tree: their record, mesh, photos, and the advice on how to cast them. Meshes are kept
 * in the database as they came and measured by a job that outlives a restart.
 */
package kilnryu.app.piece;
