export { SettingsRoom as default } from '../features/settings/SettingsRoom';
