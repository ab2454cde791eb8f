package aperta.media.cli;

import aperta.core.colour.Colour;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Bands;
import aperta.core.picture.Bytes;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.PreparedFrame;
import aperta.core.render.Renderer;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Paint;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.texture.Textures;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.media.ffmpeg.Png;
import aperta.media.ffmpeg.Probe;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.plates.Plates;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.FileImageOutputStream;

/** A page in Markdown of every effect, and of the openings that are made from them, with a small picture of each from the demo. */
final class EffectsPage {
    private static final int WIDTH = 960;
    private static final int HEIGHT = 540;
    private static final double SCALE = 1 / 3.0;
    private static final long FRAME = 24;

    /** What works on all that is there; the others work on the word. */
    private static final Set<String> ON_ALL = Set.of(
            "streak",
            "blur-along-arcs",
            "blur-along-rays",
            "vignette",
            "grade",
            "tone",
            "colour-matrix",
            "colours-by-brightness",
            "exposure",
            "invert",
            "threshold",
            "steps",
            "grain",
            "old-film",
            "tape",
            "scan-lines",
            "lens",
            "mirror");

    /** Values that show what an effect does where its standard ones do nothing. */
    private static final Map<String, Map<String, ?>> SHOWN = Map.ofEntries(
            Map.entry("blur-by-map", Map.of("map", "map", "deviation", 24.0)),
            Map.entry("displace-by-map", Map.of("map", "map", "across", 90.0, "down", 0.0)),
            Map.entry("corner-pin", Map.of("topLeft", new Point(60, 40), "bottomRight", new Point(40, -50))),
            Map.entry("grade", Map.of("slopeRed", 1.3, "offsetBlue", 0.08, "powerGreen", 1.2, "saturation", 1.2)),
            Map.entry("tone", Map.of("black", 0.08, "white", 0.7, "middle", 0.4)),
            Map.entry("colour-matrix", Map.of("type", "hue rotate", "hue", 140.0)),
            Map.entry("rays", Map.of("from", new Point(-300, -160), "threshold", 0.3)),
            Map.entry("tile", Map.of("reflect", true)),
            Map.entry("mirror", Map.of("at", new Point(0, 20))),
            Map.entry("grain", Map.of("strength", 0.1, "size", 3.0)),
            Map.entry("drop-shadow", Map.of("distance", 22.0, "colour", Colour.BLACK)),
            Map.entry("scan-lines", Map.of("pitch", 9.0)),
            Map.entry("old-film", Map.of("dust", 20.0, "hairs", 2.0, "size", 4.0)),
            Map.entry("tape", Map.of("jitter", 2.5, "line", 3.0)),
            Map.entry("streak", Map.of("length", 120.0, "angle", 20.0)));

    private static final List<String> OPENINGS = List.of("shimmer", "burn", "settle", "bend", "ink");

    private EffectsPage() {}

    /** The page as it is now. */
    static String text() {
        StringBuilder page = new StringBuilder("# Effects\n\n");
        page.append(
                "Written by `./aperta docs` from what the code says of itself; the pictures are made from the demo.\n");
        for (Effect.Purpose purpose : Effect.Purpose.values()) {
            String title =
                    purpose.name().charAt(0) + purpose.name().substring(1).toLowerCase(Locale.ROOT);
            page.append("\n## ").append(title).append("\n");
            Effects.all().stream().filter(e -> e.purpose() == purpose).forEach(e -> one(page, e.descriptor()));
        }
        page.append("\n## Textures\n");
        Textures.all().forEach(t -> one(page, t.descriptor()));
        page.append("\n## Openings made of them\n");
        OPENINGS.forEach(o -> one(page, Openings.of(o).descriptor()));
        return page.toString();
    }

    private static void one(StringBuilder page, Descriptor d) {
        page.append("\n### ").append(d.label()).append("\n");
        page.append("![](effects/").append(d.kind()).append(".jpg)\n\n");
        page.append("`").append(d.kind()).append("`: ").append(d.summary()).append("\n");
        page.append("\n| parameter | | range | standard |\n|---|---|---|---|\n");
        for (Parameter p : d.parameters()) {
            page.append(ReferencePage.row(p));
        }
    }

    /** Every picture that the page shows, by its name. */
    static List<String> pictures() {
        List<String> all = new ArrayList<>();
        Effects.all().forEach(e -> all.add(e.descriptor().kind()));
        Textures.all().forEach(t -> all.add(t.descriptor().kind()));
        all.addAll(OPENINGS);
        return all;
    }

    /** Makes the pictures anew. */
    static void draw(Path folder, Path plates) throws IOException {
        Path film = Plates.file("platform", plates, words -> {});
        Clip clip = new Clip("platform", film, Probe.of(film), Optional.empty());
        try (ClipSources sources = new ClipSources(id -> Optional.of(clip))) {
            Planner planner = new Planner(sources, new FontShelf(id -> Optional.empty()));
            Renderer renderer = new Renderer(Cache.NONE, Bands.IN_TURN);
            for (String kind : pictures()) {
                Shot shot = Effects.find(kind)
                        .map(EffectsPage::shot)
                        .orElseGet(() -> OPENINGS.contains(kind) ? opened(kind) : textured(kind));
                PreparedFrame shown = renderer.show(planner.plan(planner.moment(shot, FRAME), SCALE), FRAME);
                ByteArrayOutputStream png = new ByteArrayOutputStream();
                Png.write(shown, Bytes.See.PICTURE, png);
                write(folder.resolve(kind + ".jpg"), ImageIO.read(new ByteArrayInputStream(png.toByteArray())));
            }
        }
    }

    private static Shot shot(Effect effect) {
        String kind = effect.descriptor().kind();
        Recipe recipe = effect.descriptor().standard();
        for (var value : SHOWN.getOrDefault(kind, Map.of()).entrySet()) {
            recipe = recipe.with(value.getKey(), value.getValue());
        }
        LayerEffect link = LayerEffect.of("e", AnimatedRecipe.of(recipe), effect.station());
        Layer word = word();
        if (kind.equals("afterimage") || kind.equals("every-nth-frame")) {
            word = word.withPlace(word.place()
                    .withPosition(new Animated<>(
                            new Point(480, 290),
                            List.of(
                                    new Key<>(0, new Point(180, 290), Ease.LINEAR),
                                    new Key<>(40, new Point(680, 290), Ease.LINEAR)))));
        }
        if (kind.equals("embers")) {
            word = word.withArrive(Optional.of(passage("wipe", Map.of())));
        }
        Layer adjustment =
                Layer.of("all", "All", new Content.Adjustment(), Span.of(0, 48), Place.at(new Point(480, 270)));
        boolean all = ON_ALL.contains(kind);
        Layer changed = (all ? adjustment : word).withEffects(List.of(link));
        return of(all ? List.of(changed, word) : List.of(changed));
    }

    private static Shot opened(String kind) {
        Map<String, ?> values = kind.equals("burn") ? Map.of("from", "one side") : Map.of();
        return of(List.of(word().withArrive(Optional.of(passage(kind, values)))));
    }

    private static Shot textured(String kind) {
        Recipe recipe = Textures.of(kind).descriptor().standard();
        if (kind.equals("steam")) {
            recipe = recipe.with("from", new Point(0, 250)).with("height", 560.0);
        }
        Content content = new Content.Texture(Animated.of(new Point(WIDTH, HEIGHT)), AnimatedRecipe.of(recipe));
        return of(List.of(Layer.of("texture", "Texture", content, Span.of(-96, 144), Place.at(new Point(480, 270)))));
    }

    private static Passage passage(String kind, Map<String, ?> values) {
        Recipe recipe = Recipe.of(Openings.of(kind).descriptor(), values);
        return new Passage(48, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(recipe)));
    }

    private static Layer word() {
        return Layer.of(
                "word",
                "Word",
                Content.Text.of("ORRIN HILL", "anton", 200),
                Span.of(0, 48),
                Place.at(new Point(480, 290)));
    }

    private static Shot of(List<Layer> above) {
        List<Layer> layers = new ArrayList<>(above);
        layers.add(Layer.of(
                "plate",
                "Plate",
                new Content.Footage("platform").with("platform", Animated.of(1.2), Animated.of(1.0)),
                Span.of(0, 48),
                Place.at(new Point(480, 270)).withScale(Animated.of(new Point(0.5, 0.5)))));
        layers.add(Layer.of(
                "map",
                "Map",
                new Content.Fill(
                        Animated.of(new Point(WIDTH, HEIGHT)),
                        new Paint.Linear(
                                Animated.of(new Point(-480, 0)),
                                Animated.of(new Point(480, 0)),
                                List.of(
                                        Paint.Stop.of("a", 0, Colour.BLACK),
                                        Paint.Stop.of("b", 0.5, Colour.parse("#808080")),
                                        Paint.Stop.of("c", 1, Colour.WHITE)))),
                Span.of(0, 48),
                Place.at(new Point(480, 270))));
        return new Shot("Effects", new Format(WIDTH, HEIGHT, Rate.of(24)), 48, layers);
    }

    private static void write(Path to, BufferedImage png) throws IOException {
        BufferedImage image = new BufferedImage(png.getWidth(), png.getHeight(), BufferedImage.TYPE_INT_RGB);
        image.createGraphics().drawImage(png, 0, 0, null);
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpg").next();
        ImageWriteParam how = writer.getDefaultWriteParam();
        how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
        how.setCompressionQuality(0.85f);
        Files.deleteIfExists(to);
        try (FileImageOutputStream out = new FileImageOutputStream(to.toFile())) {
            writer.setOutput(out);
            writer.write(null, new IIOImage(image, null, null), how);
        }
        writer.dispose();
    }
}
