package aperta.server.shot;

import java.util.stream.Stream;

/** What is done at the desk, as the desk sends it, to a shot with the words {@code w} and {@code v} and a card. */
public final class Gestures {
    /** A group with a word on a way of three keys, which fades in. */
    public static final String CARD =
            "{'id': 'c', 'name': 'c', 'span': {'in': 2, 'length': 20}, 'place': {'position': [80, 45], 'anchor': [80, 45]},"
                    + " 'content': {'kind': 'group', 'layers': [{'id': 'u', 'name': 'u', 'span': {'in': 0, 'length': 20},"
                    + " 'content': {'kind': 'text', 'words': 'U', 'font': 'anton', 'size': 40},"
                    + " 'masks': [{'id': 'n', 'name': 'n', 'path': [[-20, -20, 0, 0, 0, 0], [20, -20, 0, 0, 0, 0], [20, 20, 0,"
                    + " 0, 0, 0]]}], 'arrive': {'length': 6, 'opening': {'kind': 'fade'}}, 'place': {'position': {'rest': [0, 0],"
                    + " 'keys': [{'at': 0, 'value': [10, 45]}, {'at': 6, 'value': [60, 20]}, {'at': 12, 'value': [90, 45]}]}}}]}}";

    private Gestures() {}

    public static Stream<String> all() {
        return Stream.of(
                "'kind': 'add', 'above': 'w', 'layer': {'id': 'z', 'name': 'z', 'content': {'kind': 'text', 'words': 'Z', 'font': 'anton', 'size': 20}, 'span': {'in': 0, 'length': 9}, 'place': {'position': [9, 9]}}",
                "'kind': 'delete', 'layers': ['w', 'c']",
                "'kind': 'duplicate', 'layer': 'c', 'newId': 'c2'",
                "'kind': 'reorder', 'layer': 'c', 'to': 0",
                "'kind': 'scale', 'layer': 'w', 'frame': 4, 'from': [100, 50], 'to': [120, 60]",
                "'kind': 'turn', 'layer': 'v', 'frame': 4, 'from': [100, 45], 'to': [90, 60], 'steps': true",
                "'kind': 'move-anchor', 'layer': 'w', 'frame': 4, 'to': [60, 40]",
                "'kind': 'fit', 'layer': 'w', 'frame': 4, 'cover': true",
                "'kind': 'remove-keys', 'keys': [{'layer': 'w', 'property': 'place.rotation', 'at': 12}]",
                "'kind': 'add-key', 'layer': 'w', 'property': 'place.position', 'frame': 3",
                "'kind': 'set-value', 'layer': 'w', 'property': 'text.tracking', 'frame': 3, 'value': 55.5, 'key': true",
                "'kind': 'move-keys', 'keys': [{'layer': 'w', 'property': 'place.rotation', 'at': 0}], 'by': 7",
                "'kind': 'reverse-keys', 'keys': [{'layer': 'w', 'property': 'place.rotation', 'at': 0}, {'layer': 'w', 'property': 'place.rotation', 'at': 12}]",
                "'kind': 'stretch-keys', 'keys': [{'layer': 'w', 'property': 'place.rotation', 'at': 12}], 'pivot': 0, 'factor': 1.5",
                "'kind': 'set-ease', 'keys': [{'layer': 'w', 'property': 'place.rotation', 'at': 0}], 'ease': {'spring': 4}",
                "'kind': 'set-beyond', 'layer': 'w', 'property': 'place.rotation', 'before': 'hold', 'after': 'there-and-back'",
                "'kind': 'set-signals', 'layer': 'v', 'property': 'place.rotation', 'signals': [{'kind': 'jitter'}, {'kind': 'follow', 'layer': 'w', 'property': 'place.rotation'}]",
                "'kind': 'unpack', 'layer': 'w', 'property': 'place.rotation'",
                "'kind': 'paste-keys', 'layers': ['v'], 'frame': 5, 'tracks': [{'property': 'place.opacity', 'keys': [{'at': 0, 'value': 0}]}]",
                "'kind': 'set-opening', 'layers': ['w', 'v'], 'arriving': true, 'opening': {'kind': 'cascade', 'order': 'random'}",
                "'kind': 'move', 'layer': 'w', 'frame': 0, 'by': [3, 4], 'stance': 'leave'",
                "'kind': 'slide', 'layers': ['w', 'v'], 'by': -3",
                "'kind': 'slip', 'layers': ['w'], 'by': 3",
                "'kind': 'trim', 'layers': ['w', 'v'], 'frame': 5, 'end': 'start'",
                "'kind': 'split', 'layers': ['w'], 'newIds': ['w2'], 'frame': 5",
                "'kind': 'stagger', 'layers': ['w', 'v'], 'by': 4, 'order': 'reversed'",
                "'kind': 'stretch', 'layer': 'w', 'length': 17",
                "'kind': 'freeze', 'layers': ['w'], 'frame': 5",
                "'kind': 'relength', 'length': 50, 'inside': 'stretches'",
                "'kind': 'group', 'layers': ['w', 'v'], 'newId': 'g', 'name': 'Card'",
                "'kind': 'use-again', 'group': 'c', 'newId': 'c2'",
                "'kind': 'ungroup', 'group': 'c'",
                "'kind': 'move-to', 'layer': 'w', 'group': 'c', 'to': 0, 'frame': 4",
                "'kind': 'move-path', 'layer': 'u', 'frame': 4, 'at': 0, 'part': 'out', 'to': [20, 90], 'both': true",
                "'kind': 'set-loose', 'keys': [{'layer': 'u', 'property': 'place.position', 'at': 6}], 'loose': true",
                "'kind': 'unpack-passage', 'layer': 'u', 'arriving': true",
                "'kind': 'remove-passage', 'layers': ['u'], 'arriving': true",
                "'kind': 'remove-parts', 'layers': ['u'], 'parts': ['keys', 'arrival']",
                "'kind': 'several', 'edits': [{'kind': 'settings', 'name': 'Other', 'format': {'width': 320, 'height': 240, 'rate': '25'}, 'shutter': {'angle': 90, 'phase': -45}}, {'kind': 'relength', 'length': 40, 'inside': 'stays'}]",
                "'kind': 'take-apart', 'layer': 'w'",
                "'kind': 'add-mask', 'layer': 'w', 'newId': 'm', 'frame': 0, 'shape': 'star', 'from': [10, 10], 'to': [90, 70], 'points': 7, 'inner': 0.3",
                "'kind': 'draw-mask', 'layer': 'w', 'newId': 'm', 'frame': 0, 'path': [[10, 10, 0, 0, 0, 0], [90, 10, 0, 0, 5, 5], [50, 70, 0, 0, 0, 0, 12]]",
                "'kind': 'set-mask-lock', 'layer': 'u', 'mask': 'n', 'frame': 4, 'lock': 'frame'",
                "'kind': 'move-point', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'index': 1, 'to': [33, 44]",
                "'kind': 'move-points', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'points': [0, 2], 'by': [3, 4]",
                "'kind': 'scale-points', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'pivot': [0, 0], 'from': [10, 10], 'to': [20, 15]",
                "'kind': 'turn-points', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'pivot': [0, 0], 'from': [10, 10], 'to': [20, 15], 'steps': true",
                "'kind': 'add-point', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'at': [30, 30]",
                "'kind': 'remove-points', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'points': [1]",
                "'kind': 'set-smooth', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'smooth': true",
                "'kind': 'bend', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'from': [40, 10], 'to': [40, 0]",
                "'kind': 'feather-points', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'points': [2], 'feather': 9.5",
                "'kind': 'start-at', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'point': 2",
                "'patch': [{'op': 'add', 'path': '/layers/0/join', 'value': 'stay-inside'}, {'op': 'add', 'path': '/layers/0/cut', 'value': {'by': 'c', 'tone': {'spread': 4, 'blur': {'rest': 0, 'keys': [{'at': 3, 'value': 2}]}}}}]",
                "'patch': [{'op': 'add', 'path': '/markers/-', 'value': {'at': 5, 'name': 'lands'}}, {'op': 'add', 'path': '/work', 'value': {'from': 2, 'to': 9}}]",
                "'kind': 'add-shape', 'newId': 's', 'onto': null, 'frame': 4, 'shape': 'rounded', 'from': [10, 10], 'to': [90, 70], 'roundness': 0.4",
                "'kind': 'draw-shape', 'newId': 's', 'onto': null, 'frame': 4, 'path': {'open': [[10, 10, 0, 0, 0, 0], [90, 10, 0, 0, 5, 5]]}",
                "'kind': 'frame-round', 'layer': 'w', 'newId': 's', 'frame': 4, 'margin': 12, 'radius': 5",
                "'kind': 'text-to-shape', 'layer': 'w'",
                "'kind': 'set-closed', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4, 'point': 1, 'closed': false",
                "'kind': 'reverse-path', 'layer': 'u', 'property': 'mask.n.path', 'frame': 4",
                "'kind': 'set-parent', 'layer': 'v', 'parent': 'w', 'frame': 6",
                "'kind': 'copy-parts', 'from': 'w', 'to': ['v'], 'parts': ['transform', 'keys', 'masks', 'cut', 'arrival', 'departure', 'text-style', 'blend']");
    }
}
