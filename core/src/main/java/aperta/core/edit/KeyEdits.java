package aperta.core.edit;

import aperta.core.geometry.Point;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Opener;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Beyond;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Values and keys of properties. Frames of {@code SetValue} and {@code AddKey} are the shot's; others the layer's own. */
public final class KeyEdits {
    private KeyEdits() {}

    /** A key by its layer, its property and its frame in the layer's own time. */
    public record KeyName(String layer, String property, long at) {}

    /** Sets a property as seen at a frame: its resting value, or a key there where it has keys or {@code key} is asked for. */
    public record SetValue(String layer, String property, long frame, Object value, boolean key) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            long own = PlaceEdits.ownFrame(new Moment(shot, frame), layer);
            return Keys.change(shot, layer, property, new Keys.Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    // The mapping reads the value by the property's kind, so that it has the property's type.
                    @SuppressWarnings("unchecked")
                    T typed = (T) value;
                    return key ? now.withKey(own, typed, Ease.EASE) : now.set(own, typed);
                }
            });
        }
    }

    /**
     * Sets one of the two numbers of a point as seen at a frame; the other stays as it is.
     *
     * @param channel 0 for the number across, 1 for the one down
     */
    public record SetPart(String layer, String property, long frame, int channel, double value, boolean key)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Property<?> named = Property.named(now, property);
            if (named.kind() != Property.Kind.POINT || channel < 0 || channel > 1) {
                throw new IllegalArgumentException("The " + named.title().toLowerCase(Locale.ROOT) + " of '"
                        + now.name() + "' isn't two numbers.");
            }
            long own = PlaceEdits.ownFrame(new Moment(shot, frame), layer);
            Point before = (Point) named.at(now, own);
            Point next = channel == 0 ? new Point(value, before.y()) : new Point(before.x(), value);
            return new SetValue(layer, property, frame, next, key).apply(shot, extents);
        }
    }

    /** Puts a key with the present value on a frame. */
    public record AddKey(String layer, String property, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            long own = PlaceEdits.ownFrame(new Moment(shot, frame), layer);
            return Keys.change(shot, layer, property, new Keys.Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    return now.withKey(own, now.at(own, p.mix()), Ease.EASE);
                }
            });
        }
    }

    /** Takes keys away. */
    public record RemoveKeys(List<KeyName> keys) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Shot next = shot;
            for (KeyName name : keys) {
                next = Keys.change(next, name.layer, name.property, new Keys.Change() {
                    @Override
                    public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                        return now.withoutKey(name.at);
                    }
                });
            }
            return next;
        }
    }

    /** Moves keys in time; a key that comes to lie on another replaces it. */
    public record MoveKeys(List<KeyName> keys, long by) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return Keys.changeChosen(shot, keys, new Keys.ChosenChange() {
                @Override
                public <T> List<Key<T>> of(List<Key<T>> chosen, long start) {
                    return chosen.stream().map(k -> k.movedTo(k.at() + by)).toList();
                }
            });
        }
    }

    /** A side of a key. */
    public enum Side {
        /** How a value comes to it from the key before. */
        ARRIVING,
        /** How it goes on to the next. */
        LEAVING
    }

    /** Which part of an ease is set. */
    public enum Half {
        /** How it sets out. */
        START,
        /** How it comes in. */
        END,
        BOTH
    }

    /**
     * Sets how values leave keys, or how they arrive at them.
     *
     * @param half of the ease that is set; the other half stays as it is, where both are curves
     */
    public record SetEase(List<KeyName> keys, Ease ease, Side side, Half half) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            List<KeyName> eased = side == Side.LEAVING ? keys : before(shot);
            return Keys.changeChosen(shot, eased, new Keys.ChosenChange() {
                @Override
                public <T> List<Key<T>> of(List<Key<T>> chosen, long start) {
                    return chosen.stream().map(k -> k.withEase(set(k.ease()))).toList();
                }
            });
        }

        private Ease set(Ease now) {
            return switch (half) {
                case START -> now.withEnds(ease, now);
                case END -> now.withEnds(now, ease);
                case BOTH -> ease;
            };
        }

        /** The keys before the named ones, whose eases lead to them. */
        private List<KeyName> before(Shot shot) {
            List<KeyName> all = new ArrayList<>();
            for (KeyName name : keys) {
                Layer layer = LayerEdits.demand(shot, name.layer);
                Property.named(layer, name.property).get().apply(layer).keys().stream()
                        .filter(k -> k.at() < name.at)
                        .reduce((a, b) -> b)
                        .ifPresent(k -> all.add(new KeyName(name.layer, name.property, k.at())));
            }
            if (all.isEmpty()) {
                throw new IllegalArgumentException("No key comes before, from which a value could arrive.");
            }
            return all;
        }
    }

    /** Lets keys give up their own time, or takes it up again. */
    public record SetLoose(List<KeyName> keys, boolean loose) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return Keys.changeChosen(shot, keys, new Keys.ChosenChange() {
                @Override
                public <T> List<Key<T>> of(List<Key<T>> chosen, long start) {
                    return chosen.stream().map(k -> k.withLoose(loose)).toList();
                }
            });
        }
    }

    /**
     * Turns keys round in time within the frames that they take up together, so that what they did last they do first.
     * Eases are mirrored; a spring, which has no mirror, stays.
     */
    public record ReverseKeys(List<KeyName> keys) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            if (keys.isEmpty()) {
                return shot;
            }
            long[] at = keys.stream()
                    .mapToLong(k -> k.at + Keys.start(shot, k.layer))
                    .sorted()
                    .toArray();
            long ends = at[0] + at[at.length - 1];
            return Keys.changeChosen(shot, keys, new Keys.ChosenChange() {
                @Override
                public <T> List<Key<T>> of(List<Key<T>> chosen, long start) {
                    List<Key<T>> next = new ArrayList<>();
                    Ease onwards = chosen.get(chosen.size() - 1).ease();
                    for (int i = chosen.size() - 1; i >= 0; i--) {
                        Key<T> k = chosen.get(i);
                        next.add(k.withEase(i > 0 ? mirrored(chosen.get(i - 1).ease()) : onwards)
                                .withHandles(k.in(), k.out())
                                .movedTo(ends - (k.at() + start) - start));
                    }
                    return next;
                }
            });
        }

        private static Ease mirrored(Ease ease) {
            return ease instanceof Ease.CubicBezier c
                    ? new Ease.CubicBezier(1 - c.x2(), 1 - c.y2(), 1 - c.x1(), 1 - c.y1())
                    : ease;
        }
    }

    /**
     * Stretches keys in time about a frame of the bars that stays; the nearest whole frames are taken, and of two keys
     * that come to lie on one the later stays.
     */
    public record StretchKeys(List<KeyName> keys, long pivot, double factor) implements Edit {
        public StretchKeys {
            if (!(factor > 0 && factor <= 1000)) {
                throw new IllegalArgumentException(
                        "Keys are stretched by a factor over 0; to turn them round, reverse.");
            }
        }

        @Override
        public Shot apply(Shot shot, Extents extents) {
            return Keys.changeChosen(shot, keys, new Keys.ChosenChange() {
                @Override
                public <T> List<Key<T>> of(List<Key<T>> chosen, long start) {
                    return chosen.stream()
                            .map(k -> k.movedTo(Math.round(pivot + (k.at() + start - pivot) * factor) - start))
                            .toList();
                }
            });
        }
    }

    /**
     * Keys that were copied from a property.
     *
     * @param source which of the layers that were copied from, from 0
     * @param keys whose values have the property's type; their frames count on the bars
     */
    public record Track(int source, String property, List<Key<?>> keys) {}

    /** Puts copied keys on layers so that the earliest lies on a frame of the shot. Keys of one layer go onto any number. */
    public record PasteKeys(List<Track> tracks, List<String> layers, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            long first = tracks.stream()
                    .flatMap(t -> t.keys.stream())
                    .mapToLong(Key::at)
                    .min()
                    .orElseThrow(() -> new IllegalArgumentException("No keys have been copied yet."));
            int sources = 1 + tracks.stream().mapToInt(Track::source).max().orElseThrow();
            if (sources != 1 && sources != layers.size()) {
                throw new IllegalArgumentException("The keys were copied from " + sources
                        + " layers; choose as many to put them on, not " + layers.size() + ".");
            }
            Moment moment = new Moment(shot, frame);
            Shot next = shot;
            for (int i = 0; i < layers.size(); i++) {
                LayerEdits.demand(shot, layers.get(i));
                long by = PlaceEdits.ownFrame(moment, layers.get(i)) - first;
                for (Track track : tracks) {
                    if (sources == 1 || track.source == i) {
                        next = paste(next, layers.get(i), track, by);
                    }
                }
            }
            return next;
        }

        private static Shot paste(Shot shot, String layer, Track track, long by) {
            return Keys.change(shot, layer, track.property, new Keys.Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    List<Key<T>> over = new ArrayList<>();
                    for (Key<?> key : track.keys) {
                        // The mapping reads the values by the property's kind, so that they have the property's type.
                        @SuppressWarnings("unchecked")
                        Key<T> typed = (Key<T>) key;
                        over.add(typed.movedTo(typed.at() + by));
                    }
                    return now.withKeys(Keys.together(now.keys(), over));
                }
            });
        }
    }

    /** What happens before the first key and after the last. */
    public record SetBeyond(String layer, String property, Beyond before, Beyond after) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return Keys.change(shot, layer, property, new Keys.Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    return now.withBeyond(before, after);
                }
            });
        }
    }

    /** Sets the signals of a property. */
    public record SetSignals(String layer, String property, List<Recipe> signals) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return Keys.change(shot, layer, property, new Keys.Change() {
                @Override
                public <T> Animated<T> of(Property<T> p, Animated<T> now) {
                    return now.withSignals(signals);
                }
            });
        }
    }

    /** Writes what a property does, by its keys and its signals, as a key on each frame of its layer. */
    public record Unpack(String layer, String property) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            return shot.changing(layer, l -> unpacked(shot, l, Property.named(now, property)));
        }

        private <T> Layer unpacked(Shot shot, Layer l, Property<T> p) {
            List<Key<T>> keys = new ArrayList<>();
            for (Baked.Frame f : Baked.frames(shot, layer, Opener.AT_REST)) {
                keys.add(new Key<>(f.own(), p.at(f.rest(), 0), Ease.LINEAR));
            }
            if (keys.isEmpty()) {
                throw new IllegalArgumentException("'" + l.name() + "' is not on a single frame of this shot.");
            }
            return p.set().apply(l, new Animated<>(p.get().apply(l).rest(), Keys.together(List.of(), keys)));
        }
    }
}
