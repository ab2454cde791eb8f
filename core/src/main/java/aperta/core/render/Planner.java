package aperta.core.render;

import aperta.core.edit.Edit;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.ink.InkField;
import aperta.core.opening.Openings;
import aperta.core.opening.Windows;
import aperta.core.outline.Outline;
import aperta.core.picture.Bands;
import aperta.core.picture.Region;
import aperta.core.recipe.Recipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Moment;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.PathLength;
import aperta.core.shot.Shot;
import aperta.core.shot.Stroke;
import aperta.core.shot.Track;
import aperta.core.time.Rate;
import aperta.core.type.Pieces;
import aperta.core.type.Setting;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;

/**
 * Lays out the steps of a picture, and knows how large layers are and what their openings do. Safe for use by several
 * threads.
 */
public final class Planner implements Opener, Edit.Extents {
    private final Sources sources;
    private final SetType type;
    private final Inks inks = new Inks();
    private final Contours contours = new Contours();

    public Planner(Sources sources, Faces faces) {
        this(sources, new SetType(faces));
    }

    private Planner(Sources sources, SetType type) {
        this.sources = sources;
        this.type = type;
    }

    /** The same for small pictures that are measured, not looked at. */
    public Planner small() {
        return new Planner(new Reduced(sources), type);
    }

    public Sources sources() {
        return sources;
    }

    SetType type() {
        return type;
    }

    /** The pixels of a whole frame at a scale; sides are rounded to whole pixels, at least one. */
    public static Region frame(Format format, double scale) {
        return new Region(0, 0, (int) Math.max(1, Math.round(format.width() * scale)), (int)
                Math.max(1, Math.round(format.height() * scale)));
    }

    /**
     * The plan of all that shows at a moment.
     *
     * @param scale raster pixels for a pixel of the shot, over 0
     * @throws IllegalArgumentException where a media or a font is missing
     */
    public Plan plan(Moment moment, double scale) {
        return plan(
                moment,
                scale,
                new Layout(this, moment, scale).stack(moment.shot().layers()));
    }

    private static Plan plan(Moment moment, double scale, Step.Paints picture) {
        Format format = moment.shot().format();
        return new Plan(picture, frame(format, scale), format.light());
    }

    /** The plan of one layer alone, with its masks and its cut. */
    public Plan plan(Moment moment, String layer, double scale) {
        Optional<Step.Paints> alone = new Layout(this, moment, scale)
                .chain()
                .finished(moment.of(layer).layer());
        return plan(moment, scale, alone.orElseGet(() -> new Stack(List.of())));
    }

    /**
     * The plan of one layer alone as far as its chain comes with one of its effects, or just before it.
     *
     * @param with whether that effect works, too
     */
    public Plan plan(Moment moment, String layer, String effect, boolean with, double scale) {
        Layer whole = moment.of(layer).layer();
        LayerEffect link = moment.of(layer).still().effect(effect);
        Layout layout = new Layout(this, moment, scale);
        Optional<Step.Paints> picture;
        if (with) {
            picture = layout.chain().through(whole, link);
        } else {
            picture = whole.content() instanceof Content.Adjustment
                    ? Optional.of(layout.chain().throughAdjustment(whole, layout.below(whole), Optional.of(link)))
                    : layout.chain().upTo(whole, link);
        }
        return plan(moment, scale, picture.orElseGet(() -> new Stack(List.of())));
    }

    /** What each layer of a moment covers, from the top; clips without alpha are taken as plain boxes. */
    List<Area> areas(Moment moment, double scale) {
        return Layout.ofCoverage(this, moment, scale).areas(moment.shot().layers());
    }

    /** The outlines of the letters of a text whose values are fixed, in its own space. */
    public List<Outline> letters(Content.Text text) {
        return Pieces.of(type.of(text, 0), text.words(), Opened.Unit.LETTERS).stream()
                .map(p -> p.setting().outline())
                .toList();
    }

    /** Where a cursor stands before each letter of a text whose values are fixed, and after the last, in its own space. */
    public List<Setting.Caret> carets(Content.Text text) {
        return type.of(text, 0).carets();
    }

    /** A moment of a shot with all that its layers come from and go to. */
    public Moment moment(Shot shot, double frame) {
        return new Moment(shot, frame, this);
    }

    @Override
    public Opened opened(Recipe opening, Passage.Way way, Opener.Subject subject) {
        return Openings.of(opening.kind()).at(opening, way, subject);
    }

    @Override
    public Opener.Window window(Recipe window, Opener.Subject subject) {
        return Windows.of(window.kind()).at(window, subject);
    }

    @Override
    public Box box(Layer still, Format format) {
        return Drawings.reach(still.content(), new Drawing.Measures(sources, type, format));
    }

    @Override
    public List<Piece> pieces(Content.Text text, Opened.Unit unit) {
        return Pieces.of(type.of(text, 0), text.words(), unit).stream()
                .map(p -> new Piece(
                        p.words(), p.from(), p.setting().outline().bounds().centre()))
                .toList();
    }

    @Override
    public Outline outline(Content.Text text) {
        return type.outline(text, 0);
    }

    @Override
    public Track.Clip clip(Content.Footage footage) {
        Sources.Info info = sources.info(footage.media());
        return new Track.Clip(info.width(), info.height(), info.rate());
    }

    @Override
    public long frames(Content.Footage clip, Rate rate) {
        Sources.Info info = sources.info(clip.media());
        return (long)
                Math.floor(info.frames() * rate.framesPerSecond() / info.rate().framesPerSecond() + 1e-9);
    }

    @Override
    public Opener opener() {
        return this;
    }

    /**
     * Who is told, by whichever thread finds them, which share of the strokes of a text has been found; nobody else is told
     * any more.
     */
    public void whileStrokesAreFound(DoubleConsumer progress) {
        inks.progress(progress);
    }

    /** What a pen writes of a layer, and how, at a moment. */
    Inks.Ink ink(Moment moment, String id) {
        Layer still = moment.of(id).still();
        Drawing.Measures measures =
                new Drawing.Measures(sources, type, moment.shot().format());
        Inks.Ink found = inks.of(Drawings.written(still.content(), measures), extent(moment, id));
        return still.ink()
                .filter(i -> i.fits(still.content()) && !i.strokes().isEmpty())
                .map(i -> new Inks.Ink(found.shape(), i.on(still.content())))
                .orElse(found);
    }

    /** The contours of the letters of a text whose values are fixed, united where they overlap. */
    List<PathLength> contours(Content.Text text) {
        return contours.of(type.outline(text, 0));
    }

    /**
     * Which stroke each place of a layer belongs to.
     *
     * @param cell how large the cells are in which that is told, in the layer's pixels
     */
    public InkField owners(Moment moment, String id, double cell) {
        Inks.Ink ink = ink(moment, id);
        return InkField.of(ink.shape(), ink.strokes().stream().map(Stroke::line).toList(), cell);
    }

    @Override
    public List<BezierPath> traced(Moment moment, String id) {
        Content.Trace trace = (Content.Trace) moment.of(id).still().content();
        Optional<Lines> lines = TracedLines.of(trace, new Layout(this, moment, 1));
        if (lines.isPresent() && lines.get() instanceof Lines.Found found) {
            Renderer alone = new Renderer(new RecentCache(0), Bands.IN_TURN);
            return alone.made(found.traced(), new Region(0, 0, 1, 1)).stream()
                    .map(PathLength::path)
                    .toList();
        }
        return lines.map(l -> ((Lines.Known) l).paths()).orElse(List.of()).stream()
                .map(PathLength::path)
                .toList();
    }

    @Override
    public List<Stroke> strokes(Moment moment, String id) {
        return ink(moment, id).strokes();
    }

    /** The box of a layer in its own space, at a moment: what its handles go round. */
    @Override
    public Box extent(Moment moment, String id) {
        Moment.Seen seen = moment.of(id);
        if (seen.still().content() instanceof Content.Trace trace) {
            return extent(moment, trace.of());
        }
        if (!(seen.still().content() instanceof Content.Group group)) {
            return Drawings.extent(
                    seen.still().content(),
                    new Drawing.Measures(sources, type, moment.shot().format()));
        }
        if (group.format().isPresent()) {
            return new Box(
                    0, 0, group.format().get().width(), group.format().get().height());
        }
        Affine toGroup = seen.toShot().inverse().orElse(Affine.IDENTITY);
        Box box = Box.EMPTY;
        for (Layer inside : group.layers()) {
            Affine map = moment.of(inside.id()).toShot().then(toGroup);
            box = box.union(map.apply(extent(moment, inside.id())));
        }
        return box;
    }
}
