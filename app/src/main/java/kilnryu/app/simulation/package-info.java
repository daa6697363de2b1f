/**
 * Whatever takes long is reckoned here: each question once, whoever asks it, in threads of its own, studios taking turns,
 * with a word on how far it is and a way to stop it.
 */
package kilnryu.app.simulation;
