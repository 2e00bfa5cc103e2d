import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button } from '../src/ui/button';
import { colour } from '../src/ui/theme';
import { Words } from '../src/ui/words';

export default function NotFound() {
  const router = useRouter();
  return (
    <View style={styles.page} role="main" aria-label="Not found">
      <Words kind="title">There is nothing here</Words>
      <Button label="To the finder" kind="primary" onPress={() => router.replace('/')} />
    </View>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, gap: 16, alignItems: 'center', justifyContent: 'center', backgroundColor: colour.page },
});
