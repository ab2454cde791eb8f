package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;

/** A picture that is there already. Its key names nothing that lasts. */
record FinishedPicture(Picture picture) implements Step.Paints {
    @Override
    public ContentKey key() {
        return ContentKey.of("finished picture")
                .number(System.identityHashCode(picture))
                .key();
    }

    @Override
    public Region domain() {
        return picture.domain();
    }

    @Override
    public void paint(Picture into, Tile tile) {
        Compose.copy(into, picture);
    }
}
