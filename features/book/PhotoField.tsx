import { useState } from 'react';
import { View } from 'react-native';
import { MOST_PHOTO } from '../../core/book/batch';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { t } from '../../words';

/** px of the longer side, tried in turn until the picture is small enough to keep. */
const SIDES = [560, 420, 320, 240];
const QUALITY = 0.72;

/** A picture made small: as an address that holds its data. @throws where it cannot be read or made small enough */
async function small(file: Blob): Promise<string> {
  const image = await createImageBitmap(file);
  for (const side of SIDES) {
    const scale = Math.min(1, side / Math.max(image.width, image.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(image.width * scale));
    canvas.height = Math.max(1, Math.round(image.height * scale));
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
    const data = canvas.toDataURL('image/jpeg', QUALITY);
    if (data.length <= MOST_PHOTO) return data;
  }
  throw new Error('too large');
}

/** One picture of the batch, kept small enough for the book. */
export function PhotoField({
  photo,
  name,
  onChange,
}: {
  photo: string | undefined;
  name: string;
  onChange: (photo: string | undefined) => void;
}) {
  const [wrong, setWrong] = useState(false);
  return (
    <View className="gap-2">
      <Type kind="strong">{t('bookRoom.photo')}</Type>
      {photo ? (
        <img
          src={photo}
          alt={t('bookRoom.photoOf', { name })}
          className="h-[180px] w-[240px] rounded-key border-edge border-ink object-cover"
        />
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <label className="relative min-h-[48px] min-w-[48px] cursor-pointer items-center justify-center rounded-key border-edge border-ink bg-plate px-3 py-3 focus-within:outline focus-within:outline-[3px] focus-within:outline-cool">
          <Type kind="strong">{t(photo ? 'bookRoom.anotherPhoto' : 'bookRoom.addPhoto')}</Type>
          <input
            type="file"
            accept="image/*"
            className="absolute inset-0 h-full w-full cursor-pointer opacity-0"
            aria-label={t(photo ? 'bookRoom.anotherPhoto' : 'bookRoom.addPhoto')}
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (!file) return;
              setWrong(false);
              void small(file).then(onChange, () => setWrong(true));
            }}
          />
        </label>
        {photo ? <Key label={t('bookRoom.noPhoto')} kind="quiet" onPress={() => onChange(undefined)} /> : null}
      </View>
      {wrong ? <Notice text={t('bookRoom.photoNotRead')} /> : null}
    </View>
  );
}
