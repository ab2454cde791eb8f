/** SVG files in and out. */
package aperta.media.svg;
