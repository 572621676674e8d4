import type { Routes } from '@angular/router';
import { VisePage } from './vise.page';

export const routes: Routes = [
  { path: '', pathMatch: 'full', component: VisePage, title: 'Mellow Anvil' },
  {
    path: 'before-money',
    title: 'Before money · Mellow Anvil',
    loadComponent: async () => (await import('../tool/old/old-edge.page')).OldEdgePage,
  },
  { path: 'tools/:id', component: VisePage, title: 'Tools · Mellow Anvil' },
  { path: 'tools/:id/:side', component: VisePage, title: 'Tools · Mellow Anvil' },
  {
    path: 'bench/:id',
    title: 'At the bench · Mellow Anvil',
    loadComponent: async () => (await import('../run/run.page')).RunPage,
  },
  {
    path: 'card/:id',
    title: 'Card · Mellow Anvil',
    loadComponent: async () => (await import('../tool/plan/card.page')).CardPage,
  },
  {
    path: 'stones',
    title: 'Stones · Mellow Anvil',
    children: [
      { path: '', loadComponent: async () => (await import('../stones/stones.page')).StonesPage },
      { path: 'new', loadComponent: async () => (await import('../stones/stone.page')).StonePage },
      { path: ':id', loadComponent: async () => (await import('../stones/stone.page')).StonePage },
    ],
  },
  {
    path: 'guides',
    title: 'Guides · Mellow Anvil',
    children: [
      { path: '', loadComponent: async () => (await import('../guides/guides.page')).GuidesPage },
      { path: 'new', loadComponent: async () => (await import('../guides/guide.page')).GuidePage },
      { path: ':id', loadComponent: async () => (await import('../guides/guide.page')).GuidePage },
    ],
  },
  {
    path: 'patterns',
    title: 'Patterns · Mellow Anvil',
    children: [
      { path: '', loadComponent: async () => (await import('../patterns/patterns.page')).PatternsPage },
      { path: 'new', loadComponent: async () => (await import('../patterns/board.page')).BoardPage },
      { path: ':id', loadComponent: async () => (await import('../patterns/board.page')).BoardPage },
    ],
  },
  {
    path: 'strop',
    title: 'Strop · Mellow Anvil',
    loadComponent: async () => (await import('../strop/strop.page')).StropPage,
  },
  {
    path: 'puzzle',
    title: 'Puzzle · Mellow Anvil',
    loadComponent: async () => (await import('../puzzle/puzzle.page')).PuzzlePage,
  },
  {
    path: 'how-good',
    title: 'How good is this advice? · Mellow Anvil',
    loadComponent: async () => (await import('../judged/judged.page')).JudgedPage,
  },
  {
    path: 'ledger',
    title: 'Ledger · Mellow Anvil',
    loadComponent: async () => (await import('../ledger/ledger.page')).LedgerPage,
  },
  {
    path: 'settings',
    title: 'Settings · Mellow Anvil',
    loadComponent: async () => (await import('../settings/settings.page')).SettingsPage,
  },
  { path: '**', redirectTo: '' },
];
