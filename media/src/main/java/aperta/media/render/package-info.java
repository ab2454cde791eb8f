/** A shot rendered to a file. */
package aperta.media.render;
