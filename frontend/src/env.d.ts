declare module '@fontsource-variable/archivo/standard.css'
declare module '*.css'
