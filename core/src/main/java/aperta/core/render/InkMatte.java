package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.ink.InkField;
import aperta.core.ink.Schedule;
import aperta.core.ink.Written;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.shot.Stroke;
import aperta.core.shot.Writing;
import java.util.List;

/** What a pen has written of a layer. */
final class InkMatte implements Step.Made<Written>, Step.Shades {
    private static final long SMALL = 1024;

    private final InkPlaces places;
    private final Writing writing;
    private final Affine toRaster;
    private final ContentKey key;

    InkMatte(InkPlaces places, Writing writing, Affine toRaster) {
        this.places = places;
        this.writing = writing;
        this.toRaster = toRaster;
        ContentKey.Builder k = ContentKey.of("written")
                .step(places)
                .numbers(new double[] {
                    toRaster.a(),
                    toRaster.b(),
                    toRaster.c(),
                    toRaster.d(),
                    toRaster.e(),
                    toRaster.f(),
                    writing.share(),
                    writing.soft(),
                    writing.bends() ? 1 : 0,
                    writing.betweenStrokes(),
                    writing.betweenLetters(),
                    writing.betweenWords()
                })
                .text(writing.each().toString());
        for (Stroke s : places.strokes()) {
            k.number((long) s.begins().ordinal());
            s.time().ifPresent(t -> k.number(t.from()).number(t.to()));
        }
        this.key = k.key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return Region.EVERYWHERE;
    }

    @Override
    public List<Step> inputs() {
        return List.of(places);
    }

    @Override
    public Written make(Region needed, Making making) {
        InkField field = making.made(places);
        return new Written(field, new Schedule(field, places.strokes(), writing), writing.soft(), toRaster);
    }

    @Override
    public long bytes(Written result) {
        return SMALL;
    }

    @Override
    public boolean lasts() {
        return false;
    }

    @Override
    public void shade(Matte into, Tile tile) {
        tile.ifMade(this).ifPresentOrElse(w -> w.shade(into), () -> into.fill(0));
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return writing.share() <= 0 ? Cover.NONE : Cover.SOME;
    }
}
