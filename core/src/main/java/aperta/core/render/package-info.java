/** From a moment of a shot to a picture: the plan of steps, and the renderer that carries it out. */
package aperta.core.render;
