package aperta.core.render;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.picture.Gradient;
import aperta.core.picture.Transfer;
import aperta.core.shot.Content;
import aperta.core.shot.Light;
import aperta.core.shot.Paint;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A rectangle with a colour or a gradient. */
final class FillDrawing implements Drawing<Content.Fill> {
    @Override
    public Optional<Step.Paints> picture(Content.Fill fill, Subject subject, Canvas canvas) {
        Point size = fill.size().at(0, Mix.POINT);
        Box box = Box.centred(size.x(), size.y());
        if (box.isEmpty()) {
            return Optional.empty();
        }
        Affine map = subject.toRaster();
        Outline shape = Outline.of(box).transformed(map);
        if (fill.paint() instanceof Paint.Solid solid) {
            return Optional.of(Filled.of(shape, solid.colour().at(0, Mix.COLOUR), 1, canvas.light()));
        }
        List<Double> numbers = new ArrayList<>(List.of(map.a(), map.b(), map.c(), map.d(), map.e(), map.f()));
        Gradient gradient;
        List<Paint.Stop> stops;
        if (fill.paint() instanceof Paint.Linear linear) {
            Point from = linear.from().at(0, Mix.POINT);
            Point to = linear.to().at(0, Mix.POINT);
            stops = lit(linear.stops(), canvas.light());
            gradient = Gradient.linear(from, to, stops, map);
            numbers.addAll(List.of(0.0, from.x(), from.y(), to.x(), to.y()));
        } else {
            Paint.Radial radial = (Paint.Radial) fill.paint();
            Point centre = radial.centre().at(0, Mix.POINT);
            double radius = radial.radius().at(0, Mix.NUMBER);
            stops = lit(radial.stops(), canvas.light());
            gradient = Gradient.radial(centre, radius, stops, map);
            numbers.addAll(List.of(1.0, centre.x(), centre.y(), radius));
        }
        for (Paint.Stop s : stops) {
            Colour c = s.colour();
            numbers.addAll(List.of(s.at(), c.red(), c.green(), c.blue(), c.alpha()));
        }
        return Optional.of(new Filled(
                new Covered(shape),
                gradient,
                numbers.stream().mapToDouble(Double::doubleValue).toArray()));
    }

    private static List<Paint.Stop> lit(List<Paint.Stop> stops, Light light) {
        Transfer transfer = Transfer.of(light);
        return stops.stream()
                .map(s -> new Paint.Stop(s.at(), transfer.toLight(s.colour())))
                .toList();
    }

    @Override
    public Box extent(Content.Fill fill, Measures measures) {
        Point size = fill.size().at(0, Mix.POINT);
        return Box.centred(size.x(), size.y());
    }
}
