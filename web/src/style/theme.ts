import { theme as ant } from 'ant-design-vue';

/** Greys without a tint, one accent, one warning: colour is judged on this screen. */
export const theme = {
  algorithm: ant.darkAlgorithm,
  token: {
    colorPrimary: '#4fb39f',
    colorInfo: '#4fb39f',
    colorSuccess: '#4fb39f',
    colorError: '#d96a5b',
    colorWarning: '#d96a5b',
    colorBgBase: '#1e1e1e',
    colorBgContainer: '#1a1a1a',
    colorBgElevated: '#2b2b2b',
    colorTextBase: '#e6e6e6',
    colorTextPlaceholder: '#999999',
    colorBorder: '#444444',
    borderRadius: 4,
    fontFamily: 'Inter, sans-serif',
    fontSize: 13,
    controlHeight: 28,
    controlHeightSM: 24,
    wireframe: false,
  },
};
