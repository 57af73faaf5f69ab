declare module 'react-native-web/dist/vendor/react-native/Animated/NativeAnimatedHelper' {
  type Helper = (...given: never[]) => unknown;
  export const API: object;
  export const addWhitelistedInterpolationParam: Helper;
  export const addWhitelistedStyleProp: Helper;
  export const addWhitelistedTransformProp: Helper;
  export const assertNativeAnimatedModule: Helper;
  export const generateNewAnimationId: Helper;
  export const generateNewNodeTag: Helper;
  export const isSupportedColorStyleProp: Helper;
  export const isSupportedInterpolationParam: Helper;
  export const isSupportedStyleProp: Helper;
  export const isSupportedTransformProp: Helper;
  export const transformDataType: Helper;
  export const validateInterpolation: Helper;
  export const validateStyles: Helper;
  export const validateTransform: Helper;
  const helper: object;
  export default helper;
}
