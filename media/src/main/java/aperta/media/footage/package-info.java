/** Clips and stills by number: originals, half-size proxies, and what a renderer reads from them. */
package aperta.media.footage;
