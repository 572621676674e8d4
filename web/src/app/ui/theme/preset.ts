import { definePreset } from '@primeuix/themes';
import base from '@primeuix/themes/aura/base';
import button from '@primeuix/themes/aura/button';
import checkbox from '@primeuix/themes/aura/checkbox';
import chip from '@primeuix/themes/aura/chip';
import datatable from '@primeuix/themes/aura/datatable';
import dialog from '@primeuix/themes/aura/dialog';
import inputtext from '@primeuix/themes/aura/inputtext';
import multiselect from '@primeuix/themes/aura/multiselect';
import paginator from '@primeuix/themes/aura/paginator';
import popover from '@primeuix/themes/aura/popover';
import select from '@primeuix/themes/aura/select';
import selectbutton from '@primeuix/themes/aura/selectbutton';
import slider from '@primeuix/themes/aura/slider';
import textarea from '@primeuix/themes/aura/textarea';
import toast from '@primeuix/themes/aura/toast';
import togglebutton from '@primeuix/themes/aura/togglebutton';

const ember = {
  50: '#fbf3ec',
  100: '#f3e0d0',
  200: '#e8c3a4',
  300: '#dea071',
  400: '#e69b54',
  500: '#b4540f',
  600: '#9c430d',
  700: '#7e350b',
  800: '#642b0c',
  900: '#4b210b',
  950: '#2c1306',
};

const stone = {
  0: '#fbf9f5',
  50: '#f5f2ec',
  100: '#e9e4da',
  200: '#dad3c6',
  300: '#cbc3b4',
  400: '#9a958a',
  500: '#6d6c67',
  600: '#4c585e',
  700: '#37444a',
  800: '#2b363c',
  900: '#1f282d',
  950: '#12181b',
};

const slate = {
  0: '#fbf9f5',
  50: '#f5f2ec',
  100: '#eee9e0',
  200: '#d8d6d0',
  300: '#b3bcbf',
  400: '#8d999e',
  500: '#66737a',
  600: '#4c5a61',
  700: '#3d4a51',
  800: '#2a343a',
  900: '#1d2529',
  950: '#151b1e',
};

/** A notice: plain ground, a border and mark in one ink, words in the page's own. */
const notice = (background: string, ink: string) => ({
  background,
  borderColor: ink,
  color: ink,
  detailColor: '{text.color}',
  shadow: '0 4px 14px rgb(0 0 0 / 18%)',
  closeButton: { hoverBackground: 'transparent', focusRing: { color: ink, shadow: 'none' } },
});

/**
 * The product's own look over the component library's base: stone greys, wet slate and one ember
 * accent. Only the components in use are named, so that only they are shipped.
 */
export const workshopPreset = definePreset(
  {
    ...base,
    components: {
      button,
      checkbox,
      chip,
      datatable,
      dialog,
      inputtext,
      multiselect,
      paginator,
      popover,
      select,
      selectbutton,
      slider,
      textarea,
      toast,
      togglebutton,
    },
  },
  {
    semantic: {
      primary: ember,
      focusRing: { width: '3px', style: 'solid', color: '{primary.color}', offset: '2px' },
      formField: { paddingY: '0.6rem', borderRadius: '6px' },
      colorScheme: {
        light: {
          surface: stone,
          primary: {
            color: '{primary.600}',
            contrastColor: '#ffffff',
            hoverColor: '{primary.700}',
            activeColor: '{primary.800}',
          },
          text: { color: '{surface.900}', mutedColor: '{surface.600}' },
          formField: {
            borderColor: '#7d7a71',
            placeholderColor: '{surface.600}',
            invalidBorderColor: '#a3211c',
            invalidPlaceholderColor: '#a3211c',
          },
        },
        dark: {
          surface: slate,
          primary: {
            color: '{primary.400}',
            contrastColor: '#1b1207',
            hoverColor: '{primary.300}',
            activeColor: '{primary.200}',
          },
          text: { color: '{surface.100}', mutedColor: '{surface.300}' },
          formField: {
            borderColor: '#7d8b92',
            placeholderColor: '{surface.300}',
            invalidBorderColor: '#ff9a92',
            invalidPlaceholderColor: '#ff9a92',
          },
        },
      },
    },
    components: {
      button: {
        colorScheme: {
          light: {
            outlined: { secondary: { color: '{surface.800}', borderColor: '{surface.400}' } },
            text: { secondary: { color: '{surface.700}' } },
          },
          dark: {
            outlined: { secondary: { color: '{surface.100}', borderColor: '{surface.500}' } },
            text: { secondary: { color: '{surface.200}' } },
          },
        },
      },
      toast: {
        colorScheme: {
          light: { success: notice('{surface.0}', '{surface.700}'), error: notice('{surface.0}', '#a3211c') },
          dark: {
            success: notice('{surface.800}', '{surface.300}'),
            error: notice('{surface.800}', '#ff9a92'),
          },
        },
      },
      togglebutton: {
        colorScheme: {
          light: {
            root: {
              color: '{surface.800}',
              checkedColor: '{primary.700}',
              checkedBackground: '{surface.100}',
            },
          },
          dark: { root: { color: '{surface.200}', checkedColor: '{primary.400}' } },
        },
      },
    },
  },
);
