// What stands for a frame until it is developed.
import { useEffect, useRef, useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { useThumbnail } from '../../library/roll';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';

/** The small picture while the frame is read, and then the one that its file carries while it is developed. */
export function Standing({
  id,
  preview,
  width,
  height,
}: {
  id: string;
  preview: ImageBitmap | undefined;
  width: number;
  height: number;
}) {
  const { data } = useThumbnail(id);
  const canvas = useRef<HTMLCanvasElement>(null);
  // It stays until the developed picture lies over it.
  const [kept, setKept] = useState(preview);
  if (preview && preview !== kept) setKept(preview);
  useEffect(() => {
    if (kept && canvas.current) canvas.current.getContext('2d')!.drawImage(kept, 0, 0);
  }, [kept]);
  const scale = kept ? Math.min(width / kept.width, height / kept.height) : 1;
  return (
    <>
      {data && !kept && (
        <Image source={{ uri: data }} style={styles.image} resizeMode="contain" aria-hidden />
      )}
      {kept && (
        <View style={[styles.image, styles.centred]} testID="picture-preview">
          <canvas
            ref={canvas}
            width={kept.width}
            height={kept.height}
            style={{ width: kept.width * scale, height: kept.height * scale }}
          />
        </View>
      )}
      <Words kind="label" style={styles.note} role="status">
        {kept ? 'The file’s own picture; developing…' : 'Opening the file…'}
      </Words>
    </>
  );
}

const styles = StyleSheet.create({
  image: { position: 'absolute', width: '100%', height: '100%' },
  centred: { alignItems: 'center', justifyContent: 'center' },
  note: {
    position: 'absolute',
    left: space.one,
    bottom: space.one,
    backgroundColor: colour.chip,
    paddingHorizontal: 10,
    paddingVertical: 6,
    borderRadius: 8,
  },
});
