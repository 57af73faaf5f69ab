export { StackRouter } from 'expo-router/build/react-navigation/routers';
