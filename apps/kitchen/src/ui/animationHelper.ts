import helper, * as named from 'react-native-web/dist/vendor/react-native/Animated/NativeAnimatedHelper';

/** The web animates in JavaScript, whatever is asked for. */
export const shouldUseNativeDriver = (): boolean => false;

export const {
  API,
  addWhitelistedInterpolationParam,
  addWhitelistedStyleProp,
  addWhitelistedTransformProp,
  assertNativeAnimatedModule,
  generateNewAnimationId,
  generateNewNodeTag,
  isSupportedColorStyleProp,
  isSupportedInterpolationParam,
  isSupportedStyleProp,
  isSupportedTransformProp,
  transformDataType,
  validateInterpolation,
  validateStyles,
  validateTransform,
} = named;

export default Object.assign(Object.create(helper) as typeof helper, { shouldUseNativeDriver });
