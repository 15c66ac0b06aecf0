/// <reference types="vite/client" />
declare module '@fontsource-variable/archivo';
declare module 'vuetify/styles';
