/** Effects: what changes the picture of a layer. */
package aperta.core.effect;
