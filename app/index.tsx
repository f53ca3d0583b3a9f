import { useEffect, useState } from 'react';
import { Text, View } from 'react-native';
import { createAsyncStorage } from '@react-native-async-storage/async-storage';

export default function Home() {
  const [s, set] = useState('');
  useEffect(() => {
    const db = createAsyncStorage('x');
    void db
      .setItem('a', 'stored')
      .then(() => db.getItem('a'))
      .then((v) => set(v ?? ''));
  }, []);
  return (
    <View className="flex-1 bg-field wide:bg-yolk">
      <Text role="heading" className="font-title text-title text-ink">
        Plan {s}
      </Text>
    </View>
  );
}
