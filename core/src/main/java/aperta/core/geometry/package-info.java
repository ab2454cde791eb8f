/** Points, boxes and affine maps of the plane, in double precision; y points down. */
package aperta.core.geometry;
