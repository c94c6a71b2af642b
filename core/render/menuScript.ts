/**
 * The one script of a finished site: it folds the menu on narrow screens and opens submenus, after the
 * disclosure navigation pattern of the WAI-ARIA Authoring Practices. Without it all items are shown.
 * https://www.w3.org/WAI/ARIA/apg/patterns/disclosure/examples/disclosure-navigation-hybrid/
 */
export const MENU_SCRIPT = `document.documentElement.classList.add('scripted');

document.addEventListener('DOMContentLoaded', () => {
  for (const menu of document.querySelectorAll('.menu')) {
    const buttons = [...menu.querySelectorAll('button[aria-controls]')];
    const submenuButtons = buttons.filter((button) => button.matches('.menu-open'));
    const isOpen = (button) => button.getAttribute('aria-expanded') === 'true';
    const set = (button, open) => {
      button.setAttribute('aria-expanded', String(open));
      const list = document.getElementById(button.getAttribute('aria-controls'));
      // A submenu that would leave the window hangs from the other end of its item.
      list.classList.remove('from-end');
      const { left, right } = list.getBoundingClientRect();
      if (open && (left < 0 || right > document.documentElement.clientWidth)) list.classList.add('from-end');
    };
    const holds = (button, inner) => document.getElementById(button.getAttribute('aria-controls')).contains(inner);
    const closeOthers = (kept) => submenuButtons.forEach((button) => button === kept || holds(button, kept) || set(button, false));

    for (const button of buttons) {
      button.hidden = false;
      button.addEventListener('click', () => {
        if (submenuButtons.includes(button)) closeOthers(button);
        set(button, !isOpen(button));
      });
    }

    // A group's label leads nowhere: it opens its submenu.
    for (const label of menu.querySelectorAll('li > span')) {
      const button = label.nextElementSibling;
      if (button && button.matches('.menu-open')) label.addEventListener('click', () => button.click());
    }

    menu.addEventListener('keydown', (event) => {
      if (event.key !== 'Escape') return;
      const open = submenuButtons.findLast(isOpen) ?? buttons.find(isOpen);
      if (!open) return;
      set(open, false);
      open.focus();
    });
    menu.addEventListener('focusout', (event) => {
      if (!menu.contains(event.relatedTarget)) closeOthers();
    });
    document.addEventListener('pointerdown', (event) => {
      if (!menu.contains(event.target)) closeOthers();
    });
  }
});
`
