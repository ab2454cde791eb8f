/** Plates made by the project itself for its own scenario, the same on every machine. */
package aperta.media.plates;
